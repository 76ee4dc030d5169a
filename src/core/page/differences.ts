import type { PageFacts } from "./facts";

/** Fields a new look at a page may change, in the order people read them. */
export const LOOKED_AT = [
  "title",
  "description",
  "siteName",
  "licence",
  "authors",
  "published",
  "kind",
  "language",
] as const;
export type LookedAt = (typeof LOOKED_AT)[number];
export type Difference = { field: LookedAt; before: string; after: string; typed: boolean };

/**
 * What a new look at a page found otherwise. Fields a person typed are named too, as such, and are not proposed to be
 * changed; what the page no longer says is no difference.
 * @param known the fields as they are, and which of them a person typed
 * @param facts what the page says now
 */
export function differences(
  known: Record<LookedAt, unknown> & { typed: readonly string[] },
  facts: PageFacts,
): Difference[] {
  return LOOKED_AT.flatMap((field) => {
    const [before, after] = [say(known[field]), say(facts[field])];
    return after && before !== after ? [{ field, before, after, typed: known.typed.includes(field) }] : [];
  });
}

const say = (value: unknown): string => (Array.isArray(value) ? value.join(", ") : String(value ?? ""));
