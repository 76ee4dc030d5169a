import { readSignature, resemblance } from "../text/min-hash";

/** What is kept of all words of a page: a signature, or the words themselves where they are too few for one. */
export type Words = { signature: string; few: string };

/** How much two pages have in common, from 0 to 1. What has a signature has nothing in common with what is too short for one. */
export function likenessOf(a: Words, b: Words): number {
  const [one, other] = [readSignature(a.signature), readSignature(b.signature)];
  if (one && other) return resemblance(one, other);
  return !one && !other && a.few === b.few ? 1 : 0;
}
