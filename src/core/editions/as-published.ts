import type {
  Audience,
  InsideCollection,
  PublishedCollection,
  PublishedItem,
  PublishedTree,
  Way,
} from "../publish/model";
import { mostUsedTags } from "../publish/reader-course";
import { withInside, itemsIn, type EditionContent, type EditionCollection } from "./content";

/** What is asked of the living collection, also where it is seen as it was: for whom, and in whose frames. */
type Now = { audience: Audience; framedBy: string };
type When = Now & {
  /** When the edition was kept. */
  keptAt: Date;
};

/**
 * An edition, or a part of it, as readers are given it.
 * @param part the id of a collection inside it; null: all of it
 * @returns null when there was no such part
 */
export function asPublished(
  kept: EditionContent,
  part: string | null,
  { keptAt, ...now }: When,
): PublishedCollection | null {
  const all = withInside(kept.collection);
  const found = part === null ? kept.collection : all.find((one) => one.id === part);
  if (!found) return null;
  const { inside, sections, createdAt, ...own } = found;
  return {
    ...own,
    ...now,
    createdAt: new Date(createdAt),
    updatedAt: keptAt,
    sections: sections.map((section) => ({ ...section, items: section.items.map(publishedItem) })),
    inside: inside.map(insideOf),
    way: wayOf(all, found),
  };
}

/** An edition with everything inside, as its readers are given it. */
export function treeAsPublished(kept: EditionContent, when: When): PublishedTree {
  const tree = (one: EditionCollection, part: string | null): PublishedTree => ({
    collection: asPublished(kept, part, when)!,
    inside: one.inside.map((each) => tree(each, each.id)),
  });
  return tree(kept.collection, null);
}

function publishedItem({ addedAt, file, text: _, resource, ...item }: ReturnType<typeof itemsIn>[number]) {
  return { ...item, addedAt: new Date(addedAt), file: file && resource } satisfies PublishedItem;
}

function insideOf(one: EditionCollection): InsideCollection {
  const items = itemsIn(one).filter((item) => item.look === "item");
  return {
    id: one.id,
    title: one.title,
    door: { code: null, part: one.id },
    count: items.length,
    minutes: items.reduce((sum, item) => sum + (item.minutes ?? 0), 0),
    cloth: {
      threads: items.map(({ kind, minutes, tags }) => ({ kind, minutes, tag: tags[0] ?? null })),
      tags: mostUsedTags(items),
    },
    inside: one.inside.map(insideOf),
  };
}

/** What a collection stands in, the outermost first; null when it does not stand in this one. */
function pathTo(top: EditionCollection, found: EditionCollection): EditionCollection[] | null {
  if (top === found) return [];
  for (const one of top.inside) {
    const path = pathTo(one, found);
    if (path) return [top, ...path];
  }
  return null;
}

/** The way through the edition, on which each collection in it is a stop. */
function wayOf(all: readonly EditionCollection[], found: EditionCollection): Way | null {
  const top = all[0]!;
  const stop = (one: EditionCollection) => ({
    title: one.title,
    door: { code: null, part: one === top ? null : one.id },
  });
  const above = pathTo(top, found) ?? [];
  const at = all.indexOf(found);
  const [before, next] = [all[at - 1], all[at + 1]];
  if (!before && !next) return null;
  return {
    above: above.map(stop),
    before: before ? stop(before) : null,
    next: next ? stop(next) : null,
  };
}
