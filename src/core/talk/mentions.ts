/** Somebody who can be mentioned. */
export type Mentionable = { id: string; name: string };

export type Mentions = {
  /** Who is meant, each once, in the order in which they stand. */
  ids: string[];
  /** What stands behind an `@` and is nobody who sees it, as it is written. */
  unknown: string[];
};

/** Longer names there are none. */
const LONGEST_NAME = 120;
/** So many are meant in one thing that is said; more is calling everybody. */
const MOST_MENTIONS = 50;

/**
 * Who is meant by `@` and a name in what somebody says: by the whole name, in any case, or by the first one where it is
 * the only one of that name. The longest name that fits is meant. What stands before the `@` is no letter and no digit, so
 * that a mail address means nobody.
 * @param words what is said
 * @param people who can be meant
 */
export function mentionsIn(words: string, people: readonly Mentionable[]): Mentions {
  const named = byName(people);
  const ids = new Set<string>();
  const unknown = new Set<string>();
  const text = lowered(words);
  for (const { index } of words.matchAll(/(?<![\p{L}\p{N}_.+-])@(?=[\p{L}\p{N}])/gu)) {
    const from = index + 1;
    const found = longestAt(text, from, named);
    if (found) for (const id of found) ids.add(id);
    else unknown.add(/^[\p{L}\p{N}_'’-]+/u.exec(words.slice(from, from + LONGEST_NAME))![0]);
  }
  return { ids: [...ids].slice(0, MOST_MENTIONS), unknown: [...unknown] };
}

/** In small letters and as long as before: the one or other letter has a small one of two, and stays as it is. */
const lowered = (text: string): string =>
  text.replace(/\p{Lu}/gu, (letter) => {
    const small = letter.toLowerCase();
    return small.length === letter.length ? small : letter;
  });

const ENDS = /[\p{L}\p{N}_]/u;

function longestAt(text: string, from: number, named: ReadonlyMap<string, readonly string[]>) {
  for (let end = Math.min(text.length, from + LONGEST_NAME); end > from; end--) {
    const found = named.get(text.slice(from, end));
    if (found && !(end < text.length && ENDS.test(text[end]!))) return found;
  }
  return null;
}

/** Ids by names in small letters, and by first names where nobody else has them. */
function byName(people: readonly Mentionable[]): Map<string, string[]> {
  const whole = new Map<string, string[]>();
  const first = new Map<string, string[]>();
  for (const { id, name } of people) {
    const lower = lowered(name.trim());
    if (!lower) continue;
    put(whole, lower, id);
    put(first, lower.split(/\s+/)[0]!, id);
  }
  for (const [name, ids] of first) if (ids.length === 1 && !whole.has(name)) whole.set(name, ids);
  return whole;
}

function put(all: Map<string, string[]>, name: string, id: string): void {
  const there = all.get(name);
  if (there) there.push(id);
  else all.set(name, [id]);
}

/**
 * The name somebody is in the middle of writing behind an `@`, for completing it.
 * @param words what is written
 * @param caret where one writes
 * @returns where its `@` stands and what is written of the name; null when one writes no name
 */
export function nameBegun(words: string, caret: number): { at: number; begun: string } | null {
  const before = words.slice(Math.max(0, caret - LONGEST_NAME), caret);
  const found = /(?<![\p{L}\p{N}_.+-])@([\p{L}\p{N}'’ -]{0,60})$/u.exec(before);
  return found ? { at: caret - found[1]!.length - 1, begun: found[1]! } : null;
}

/**
 * Who may be meant by what is begun of a name: those of whose names some begins so, those first whose whole name does.
 * @param most how many are offered
 */
export function offeredFor<P extends Mentionable>(begun: string, people: readonly P[], most: number): P[] {
  const typed = lowered(begun);
  const rank = ({ name }: P) => {
    const lower = lowered(name);
    if (lower.startsWith(typed)) return 0;
    return lower.split(/\s+/).some((part) => part.startsWith(typed)) ? 1 : 2;
  };
  return people
    .map((one) => ({ one, rank: rank(one) }))
    .filter(({ rank }) => rank < 2)
    .sort((a, b) => a.rank - b.rank || (a.one.name < b.one.name ? -1 : 1))
    .slice(0, most)
    .map(({ one }) => one);
}
