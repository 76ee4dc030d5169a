import { groupBy } from "@/core/list/group-by";
import { mayHandOn } from "@/core/licence/known";
import { servedWhere } from "@/core/outcomes/served";
import type { PublishedCollection, PublishedItem, PublishedTree } from "@/core/publish/model";
import type { Tx } from "@/data/database";
import { collectionsInside, findCollection, sectionsOf } from "@/data/queries/collections";
import { fromById } from "@/data/queries/credits";
import { servedIn } from "@/data/queries/outcomes";
import { phasesOf } from "@/data/queries/sections";
import { type Besides, besidesOf } from "@/data/queries/resources";
import type { FetchProblem } from "@/core/page/facts";
import type { From } from "@/core/shelves/from";
import { type Item, type ItemCursor, itemsOf } from "@/data/queries/placements";
import { insideOf, type Shown, wayOf } from "./shown";

/**
 * Reads a collection as it leaves the team.
 * @param shown what readers are shown with it; null: for its own people, all of it, without what stands in it
 */
export async function publishedCollection(
  tx: Tx,
  id: string,
  shown: Shown | null,
): Promise<PublishedCollection> {
  const [row, sections, all, inside] = await Promise.all([
    findCollection(tx, id),
    sectionsOf(tx, id),
    allItems(tx, id),
    shown ? insideOf(tx, shown, id) : [],
  ]);
  const found = row!;
  const phases = new Map(
    found.use === "lesson" ? (await phasesOf(tx, id)).map((phase) => [phase.id, phase]) : [],
  );
  /** Learners see their side of a phase. */
  const phaseOf = (section: string) => {
    const phase = phases.get(section);
    return (
      phase && {
        phase: { minutes: phase.minutes, learners: phase.learners, teacher: shown ? "" : phase.teacher },
      }
    );
  };
  const items = shown ? all.filter((item) => item.forReaders) : all;
  const more = await besidesOf(tx, [...new Set(items.map((item) => item.resource.id))]);
  const taken = await fromById(tx, [found.credit, ...items.map((item) => item.credit)]);
  const fromOf = (credit: string | null) => (credit ? taken.get(credit) : undefined);
  const published = (item: Item) => publish(item, more.get(item.resource.id), fromOf(item.credit));
  const from = fromOf(found.credit);
  const told = found.showsOutcomes
    ? servedWhere((await servedIn(tx, id)).filter(({ forReaders }) => forReaders || !shown))
    : null;
  const bySection = groupBy(items, (item) => item.section);
  return {
    id,
    title: found.title,
    description: found.description,
    rich: found.rich,
    cover: found.coverHash,
    teamName: found.teamName,
    audience: shown?.root.audience ?? found.audience,
    view: found.view,
    use: found.use,
    language: found.language,
    framedBy: found.framedBy,
    ...(found.givesReferences && { givesReferences: true }),
    ...(told?.all.length && { serves: told.all }),
    ...(from && { from }),
    createdAt: found.createdAt,
    updatedAt: found.updatedAt,
    sections: [
      { id: null, title: "", intro: "", items: (bySection.get(null) ?? []).map(published) },
      ...sections.map((one) => ({
        id: one.id,
        title: one.title,
        intro: one.intro,
        items: (bySection.get(one.id) ?? []).map(published),
        ...phaseOf(one.id),
        ...(told?.sections.has(one.id) && { serves: told.sections.get(one.id)! }),
      })),
    ],
    inside,
    way: shown && wayOf(shown, id),
  };
}

/**
 * A collection with everything inside it, for the members' own export.
 * @param id of the collection at the top
 * @param depth how far below the first one this is
 */
export async function publishedTree(tx: Tx, id: string, depth = 0): Promise<PublishedTree> {
  const collection = await publishedCollection(tx, id, null);
  const inside: PublishedTree[] = [];
  if (depth < 20)
    for (const one of await collectionsInside(tx, id))
      inside.push(await publishedTree(tx, one.id, depth + 1));
  return { collection, inside };
}

/** All items of a collection, in order. */
export async function allItems(tx: Tx, id: string): Promise<Item[]> {
  const items: Item[] = [];
  let cursor: ItemCursor | null = null;
  do {
    const page: { items: Item[]; next: ItemCursor | null } = await itemsOf(tx, id, cursor, 2000);
    items.push(...page.items);
    cursor = page.next;
  } while (cursor);
  return items;
}

/** Why an original is taken to be gone: it was asked for, and is not there. */
const GONE: ReadonlySet<FetchProblem> = new Set(["not-found", "refused-status"]);

function publish(
  { id, heading, context, look, addedAt, givesCopy, clipFrom, clipTo, shownLive, resource }: Item,
  more: Besides | undefined,
  from: From | undefined,
): PublishedItem {
  const {
    fetchState,
    fetchProblem,
    createdAt: _created,
    duplicateOf: _duplicate,
    usedAt: _used,
    ...known
  } = resource;
  // What was found to be lost later is read in its copy where the curator or the licence allows that.
  const isGone =
    (fetchState === "failed" && fetchProblem !== null && GONE.has(fetchProblem)) ||
    (more?.lost === true && (givesCopy || mayHandOn(resource.licence) === "yes"));
  return {
    ...known,
    language: more?.language ?? null,
    quotation: more?.quotation?.exact ?? null,
    copy: !more?.hasCopy ? null : isGone ? "gone" : givesCopy ? "chosen" : null,
    ...(more?.captions && { captions: more.captions }),
    file: resource.file === null ? null : resource.id,
    isPdf: /\.pdf$/i.test(resource.file ?? ""),
    ...{ id, heading, context, look, addedAt },
    ...(from && { from }),
    ...(shownLive && { shownLive }),
    ...((clipFrom ?? clipTo) !== null && { clip: { clipFrom, clipTo } }),
  };
}
