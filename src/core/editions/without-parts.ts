import type { EditionCollection, EditionContent } from "./content";

/** An edition without the collections inside it that have these ids, and what stands in them. */
export function withoutParts(kept: EditionContent, ids: ReadonlySet<string>): EditionContent {
  if (!ids.size) return kept;
  const without = (one: EditionCollection): EditionCollection => ({
    ...one,
    inside: one.inside.filter(({ id }) => !ids.has(id)).map(without),
  });
  return { ...kept, collection: without(kept.collection) };
}
