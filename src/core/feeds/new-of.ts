import type { Entry } from "./entries";

type Known = { hash: string; title: string; published: Date | null };

/**
 * What of a document was not known: neither its address, nor, where the feed says when it came out, the same title of the
 * same moment; a site that gives all its pages other addresses has nothing new for that.
 * @param entries with the hash each is known by
 */
export function newOf<E extends Pick<Entry, "title" | "published"> & { hash: string }>(
  entries: readonly E[],
  known: readonly Known[],
): E[] {
  const hashes = new Set(known.map((one) => one.hash));
  const said = ({ title, published }: Pick<Entry, "title" | "published">) =>
    published && `${published.getTime()} ${title}`;
  const same = new Set(known.map(said));
  return entries.filter((one) => {
    const words = said(one);
    if (hashes.has(one.hash) || (words && same.has(words))) return false;
    hashes.add(one.hash);
    return true;
  });
}
