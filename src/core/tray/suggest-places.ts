/** Where something like it stands, and how like it is, on any scale. */
export type NeighbourPlace = { collection: string; title: string; likeness: number };
/** Where things of its site stand, and how many. */
export type SitePlace = { collection: string; title: string; count: number };
export type SuggestedPlace = { collection: string; title: string; why: "alike" | "site" };

/**
 * Where something might go, the likeliest first: where most of what is like it stands, each as much as it is alike, and
 * where things of its site went.
 * @param not collections it stands in already
 */
export function suggestPlaces(
  neighbours: readonly NeighbourPlace[],
  sites: readonly SitePlace[],
  not: ReadonlySet<string>,
  most = 3,
): SuggestedPlace[] {
  const found = new Map<string, { title: string; alike: number; site: number }>();
  const at = (collection: string, title: string) => {
    const there = found.get(collection) ?? { title, alike: 0, site: 0 };
    found.set(collection, there);
    return there;
  };
  const all = neighbours.reduce((sum, one) => sum + one.likeness, 0) || 1;
  const ofSite = sites.reduce((sum, one) => sum + one.count, 0) || 1;
  for (const { collection, title, likeness } of neighbours) at(collection, title).alike += likeness / all;
  for (const { collection, title, count } of sites) at(collection, title).site += count / ofSite;
  return [...found]
    .filter(([collection]) => !not.has(collection))
    .map(([collection, { title, alike, site }]) => ({
      ...{ collection, title, worth: alike + 0.7 * site },
      why: alike >= 0.7 * site ? ("alike" as const) : ("site" as const),
    }))
    .sort((a, b) => b.worth - a.worth || (a.collection < b.collection ? -1 : 1))
    .slice(0, most)
    .map(({ collection, title, why }) => ({ collection, title, why }));
}
