/** The longest name of a tag, in characters. */
export const LONGEST_TAG = 80;

/**
 * The name as it is kept: composed (NFC), no blanks at the ends, single blanks inside; null when nothing is left.
 * @param typed what was typed or brought in
 */
export function tagName(typed: string): string | null {
  const name = typed
    .normalize("NFC")
    .replace(/[\s,]+/g, " ")
    .trim()
    .slice(0, LONGEST_TAG)
    .trim();
  return name || null;
}

/** Names with one key are one tag: case, accents and spacing do not tell tags apart; signs do (C and C++). */
export function tagKey(name: string): string {
  return name
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .replace(/\s+/g, " ")
    .trim()
    .normalize("NFC")
    .slice(0, LONGEST_TAG);
}

/**
 * Several names typed at once. Commas, semicolons and new lines separate; blanks belong to the name.
 * @param typed one or several names, with commas or line breaks between them
 * @example
 * tagNames("water table, peat"); // ["water table", "peat"]
 */
export function tagNames(typed: string): string[] {
  const byKey = new Map<string, string>();
  for (const part of typed.split(/[,;\n]/)) {
    const name = tagName(part);
    if (name && !byKey.has(tagKey(name))) byKey.set(tagKey(name), name);
  }
  return [...byKey.values()];
}

/**
 * The tags that are new in a list, and those that are no more in it.
 * @param before names as they were
 * @param after names as they are to be
 */
export function tagChanges(
  before: readonly string[],
  after: readonly string[],
): { add: string[]; remove: string[] } {
  const had = new Set(before.map(tagKey));
  const has = new Set(after.map(tagKey));
  return {
    add: after.filter((name) => !had.has(tagKey(name))),
    remove: before.filter((name) => !has.has(tagKey(name))),
  };
}

/** A tag with how often it is used, and when it last was. */
export type TagUse = { name: string; count: number; last?: Date | string | null };

/**
 * The tags to offer for what has been typed so far: those of which any word begins with it, the ones that begin
 * with it as a whole first, then by use. Before anything is typed, those used last.
 * @param typed the letters so far
 * @param tags of the team, with how they are used
 * @param most how many to offer
 */
export function completeTag(typed: string, tags: readonly TagUse[], most = 8): TagUse[] {
  const start = tagKey(typed);
  const when = (tag: TagUse) => (tag.last ? new Date(tag.last).getTime() : 0);
  if (!start) return [...tags].sort((a, b) => when(b) - when(a) || b.count - a.count).slice(0, most);
  return tags
    .map((tag) => ({ tag, key: tagKey(tag.name) }))
    .filter(({ key }) => key.startsWith(start) || key.includes(` ${start}`))
    .sort(
      (a, b) =>
        Number(b.key.startsWith(start)) - Number(a.key.startsWith(start)) ||
        b.tag.count - a.tag.count ||
        when(b.tag) - when(a.tag) ||
        (a.key < b.key ? -1 : 1),
    )
    .slice(0, most)
    .map(({ tag }) => tag);
}
