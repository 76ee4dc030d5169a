import { distance } from "../search/did-you-mean";
import { stem } from "../search/stem";
import { fold } from "../search/tokens";

type Named = { id: string; name: string; count: number };
type Reason = "plural" | "hyphen" | "spelling";
/** Two tags that may be one; the one to keep, which is used more, first. */
export type LookAlike<T> = { keep: T; other: T; reason: Reason };

/** From this length on one letter may be another. */
const LONG = 6;

/** Without signs and blanks: water-table and watertable are one. Accents and case do not tell tags apart at all. */
const bare = (name: string) => fold(name).replace(/[^\p{L}\p{N}+#]+/gu, "");
/** Every word by its stem: dam and dams are one. */
const stemmed = (name: string) =>
  name
    .split(/[\s\-_/]+/)
    .map((word) => fold(stem(word, "en")))
    .join("");

/**
 * Tags whose names look like the same word: one the plural of the other, with and without a hyphen or blank, or one
 * letter apart. Each pair once. Names one letter apart are found by what is left when any one letter is taken out,
 * so that not every name has to be held against every other.
 * @param tags with their use; of a pair the more used one is the one to keep
 */
export function lookAlikes<T extends Named>(tags: readonly T[]): LookAlike<T>[] {
  const pairs = new Map<string, LookAlike<T>>();
  const add = (a: T, b: T, reason: Reason) => {
    const [keep, other] = a.count > b.count || (a.count === b.count && a.id < b.id) ? [a, b] : [b, a];
    const key = [a.id, b.id].sort().join();
    if (!pairs.has(key)) pairs.set(key, { keep, other, reason });
  };
  const group = (
    keysOf: (name: string) => Iterable<string>,
    reason: Reason,
    same?: (a: T, b: T) => boolean,
  ) => {
    const by = new Map<string, T[]>();
    for (const tag of tags)
      for (const key of new Set(keysOf(tag.name))) {
        if (!key) continue;
        const list = by.get(key);
        if (!list) by.set(key, [tag]);
        else {
          for (const other of list) if (!same || same(tag, other)) add(tag, other, reason);
          list.push(tag);
        }
      }
  };
  group((name) => [bare(name)], "hyphen");
  group((name) => [stemmed(name)], "plural");
  group(
    (name) => {
      const word = bare(name);
      // A number one digit apart is another number, not a slip.
      return word.length < LONG || /\d/.test(name)
        ? []
        : [word, ...[...word].map((_, i) => word.slice(0, i) + word.slice(i + 1))];
    },
    "spelling",
    (a, b) => distance(bare(a.name), bare(b.name), 1) === 1,
  );
  return [...pairs.values()];
}
