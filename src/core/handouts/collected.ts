import { sameAddress } from "../address/same-address";
import { sayNames } from "../groups/say-names";
import { type EditionCollection, itemsIn, withInside } from "../editions/content";
import type { Find, Written } from "./sheet-view";

/** What one learner did with a handout. */
export type Work = { name: string; written: readonly Written[]; finds: readonly Find[] };

/** How what came back is put together: by the items of the handout or by who did it, and whether names stand there. */
export type Collecting = { by: "item" | "learner"; names: boolean };

export type CollectedEntry =
  /** An item of the handout, by its id there. */
  | { what: "given"; item: string }
  /** Words, to stand between the items. */
  | { what: "text"; heading: string; words: string }
  /** Something that was found. */
  | { what: "find"; address: string; title: string; context: string };
export type CollectedSection = { title: string; entries: CollectedEntry[] };

/** A text between items holds so many characters; more than that are several. */
const LONGEST = 12_000;

/**
 * What learners wrote and found, put together. Notes are left out: they are the learner's own. What several found stands
 * there once and says by how many.
 * @param given the handout
 * @param works what each did, in the order of the group
 * @example
 * collected(given, works, { by: "item", names: true });
 * // [{ title: "A dipwell", entries: [{ what: "given", … }, { what: "text", heading: "2 answers", words: "Ada: …" }] }, { title: "Found", … }]
 */
export function collected(
  given: EditionCollection,
  works: readonly Work[],
  { by, names }: Collecting,
): CollectedSection[] {
  const items = withInside(given)
    .flatMap(itemsIn)
    .filter((item) => item.look === "item");
  const titles = new Map(items.map((item) => [item.id, item.heading || item.title]));
  const callOf = (work: Work, i: number) => (names ? work.name : `Learner ${i + 1}`);
  if (by === "learner")
    return works.flatMap((work, i) => {
      const said = sorted(work.written, [...titles.keys()]).flatMap((one) => {
        const words = wordsOf(one);
        return words ? [`${titles.get(one.item) ?? "Something that was taken out"}\n${words}`] : [];
      });
      const entries = [...texts("", said), ...finds([{ work, call: null }])];
      return entries.length ? [{ title: callOf(work, i), entries }] : [];
    });
  const about = (id: string) =>
    works.flatMap((work, i) => {
      const one = work.written.find(({ item }) => item === id);
      const words = one && wordsOf(one);
      return words ? [names ? `${callOf(work, i)}: ${words}` : words] : [];
    });
  const gone = [...new Set(works.flatMap(({ written }) => written.map(({ item }) => item)))].filter(
    (id) => !titles.has(id),
  );
  const sections = [
    ...items.map((item) => ({ title: titles.get(item.id)!, said: about(item.id), item: item.id })),
    { title: "At what was taken out", said: gone.flatMap(about), item: null },
  ].flatMap(({ title, said, item }) =>
    said.length
      ? [
          {
            title,
            entries: [
              ...(item === null ? [] : [{ what: "given" as const, item }]),
              ...texts(said.length === 1 ? "1 answer" : `${said.length} answers`, said),
            ],
          },
        ]
      : [],
  );
  const found = finds(works.map((work, i) => ({ work, call: names ? callOf(work, i) : "" })));
  return found.length ? [...sections, { title: "Found", entries: found }] : sections;
}

/** What a learner wrote at an item for others to read. */
const wordsOf = ({ context, answer }: Written): string =>
  [context ? `“${context}”` : "", answer].filter(Boolean).join("\n");

const sorted = (written: readonly Written[], order: readonly string[]) => {
  const at = new Map(order.map((id, i) => [id, i]));
  return written.toSorted((a, b) => (at.get(a.item) ?? Infinity) - (at.get(b.item) ?? Infinity));
};

/** Words as texts between items, none longer than one holds. */
function texts(heading: string, said: readonly string[]): CollectedEntry[] {
  const all: string[] = [];
  for (const one of said.flatMap((words) => pieces(words))) {
    const last = all.at(-1);
    if (last !== undefined && last.length + one.length + 2 <= LONGEST)
      all[all.length - 1] = `${last}\n\n${one}`;
    else all.push(one);
  }
  return all.map((words, i) => ({ what: "text", heading: i ? "" : heading, words }));
}

const pieces = (words: string): string[] =>
  Array.from({ length: Math.ceil(words.length / LONGEST) || 1 }, (_, i) =>
    words.slice(i * LONGEST, (i + 1) * LONGEST),
  );

/**
 * What was found, each once: what most found first.
 * @param from `call` is how a learner is called; empty: not at all, null: it stands in their own section
 */
function finds(from: readonly { work: Work; call: string | null }[]): CollectedEntry[] {
  const byAddress = new Map<string, { find: Find; by: Set<number>; calls: string[]; why: string[] }>();
  from.forEach(({ work, call }, i) => {
    for (const find of work.finds) {
      const key = find.address ? sameAddress(find.address) : `title ${find.title.toLowerCase()}`;
      const there = byAddress.get(key) ?? { find, by: new Set<number>(), calls: [], why: [] };
      byAddress.set(key, there);
      if (!there.find.title && find.title) there.find = { ...there.find, title: find.title };
      if (call && !there.by.has(i)) there.calls.push(call);
      there.by.add(i);
      if (find.context && !there.why.includes(find.context)) there.why.push(find.context);
    }
  });
  return [...byAddress.values()]
    .toSorted((a, b) => b.by.size - a.by.size)
    .map(({ find, by, calls, why }) => {
      const who =
        calls.length > 0 ? `Found by ${sayNames(calls)}.` : by.size > 1 ? `Found by ${by.size}.` : "";
      const context = [...why, who].filter(Boolean).join("\n");
      return { what: "find", address: find.address, title: find.title, context: context.slice(0, 4_000) };
    });
}
