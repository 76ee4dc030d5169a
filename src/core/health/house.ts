/** How the addresses of a site are written since it has moved house: what begins with one begins with the other now. */
export type HouseRule = { from: string; to: string };

const SCHEME = /^https?:\/\//i;
const withoutScheme = (address: string): string => address.replace(SCHEME, "");

/**
 * By which rule one address became another: what both end with, cut where a part of the path begins, stays.
 * @returns null: they have no part in common
 */
export function ruleOf(was: string, is: string): HouseRule | null {
  const [a, b] = [withoutScheme(was), withoutScheme(is)];
  let same = 0;
  while (same < Math.min(a.length, b.length) && a.at(-1 - same) === b.at(-1 - same)) same++;
  // Up to where a part begins; the name of the site is no part.
  const end = a.slice(a.length - same);
  const cut = end.indexOf("/");
  if (cut < 0 || a.slice(0, a.length - same + cut) === "" || cut + 1 >= end.length) return null;
  const kept = end.length - cut - 1;
  const rule = { from: was.slice(0, was.length - kept), to: is.slice(0, is.length - kept) };
  return withoutScheme(rule.from) === withoutScheme(rule.to) ? null : rule;
}

/**
 * A rule as somebody writes it down: with the scheme where it is left out, and both or neither ended by a slash, so that what
 * follows begins where it should.
 * @returns null: one of the two is no address
 */
export function writtenRule(from: string, to: string): HouseRule | null {
  const [a, b] = [from, to].map((one) => (SCHEME.test(one.trim()) ? one.trim() : `https://${one.trim()}`));
  if (!URL.canParse(a!) || !URL.canParse(b!)) return null;
  // A site without a path ends with a slash.
  const rule = { from: new URL(a!).href, to: new URL(b!).href };
  if (rule.from.endsWith("/") && !rule.to.endsWith("/")) return { ...rule, to: `${rule.to}/` };
  if (!rule.from.endsWith("/") && rule.to.endsWith("/")) return { ...rule, to: rule.to.replace(/\/+$/, "") };
  return rule;
}

/** Where an address stands by a rule, whether by http or by https; null: the rule says nothing of it. */
export function byRule({ from, to }: HouseRule, address: string): string | null {
  const [start, whole] = [withoutScheme(from), withoutScheme(address)];
  if (!start || !SCHEME.test(address) || !whole.startsWith(start)) return null;
  return to + whole.slice(start.length);
}

/** Two pages that moved by one rule are a house that moved, one is not. */
const LEAST = 2;

/**
 * By which rules sites have moved house, as the addresses show that were followed there: those that explain most first. A pair
 * counts for one rule alone.
 * @param pairs where pages stood, and where they were found
 */
export function housesMoved(pairs: readonly { was: string; is: string }[]): (HouseRule & { seen: number })[] {
  const counts = new Map<string, HouseRule & { seen: number }>();
  for (const { was, is } of pairs) {
    const rule = ruleOf(was, is);
    if (!rule) continue;
    const key = `${withoutScheme(rule.from)} ${rule.to}`;
    const known = counts.get(key);
    if (known) known.seen++;
    else counts.set(key, { ...rule, seen: 1 });
  }
  return [...counts.values()].filter(({ seen }) => seen >= LEAST).sort((a, b) => b.seen - a.seen);
}
