/**
 * Those from one to the other, in the order of the list; only the last when the first is gone.
 * @param ids the list
 * @param from where the range began; null or gone: nowhere
 * @param to where it ends
 */
export function rangeOf(ids: readonly string[], from: string | null, to: string): string[] {
  const a = from === null ? -1 : ids.indexOf(from);
  const b = ids.indexOf(to);
  if (b < 0) return [];
  if (a < 0) return [to];
  return ids.slice(Math.min(a, b), Math.max(a, b) + 1);
}

/** What can be alike: the tags, the site, the kind. */
export type Likeness = "tag" | "site" | "kind";
type Alike = { kind: string; host: string; tags: readonly string[] };

/**
 * Whether a thing is like one of the models: it shares a tag, the site, or the kind. Without tags nothing is like it.
 * @param models what was chosen already
 * @param by what they must have in common
 */
export function isLike(thing: Alike, models: readonly Alike[], by: Likeness): boolean {
  return models.some((model) =>
    by === "tag"
      ? model.tags.some((tag) => thing.tags.includes(tag))
      : by === "site"
        ? model.host !== "" && model.host === thing.host
        : model.kind === thing.kind,
  );
}
