import { IsBoolean } from "class-validator";
import { insideOf } from "@/core/list/tree-moves";
import { audienceNow, type Shared } from "@/core/publish/opens";
import { placeAfter } from "@/core/order/place";
import type { Tx } from "@/data/database";
import { collectionTree, lockCollections } from "@/data/queries/collections";
import { orderOfCollections } from "@/data/queries/order";
import { servedBy } from "@/data/queries/outcomes";
import { placementsIn } from "@/data/queries/placements";
import { sectionsIn } from "@/data/queries/sections";
import { collectionTagsOf } from "@/data/queries/tags";
import { action } from "@/mechanism/action";
import type { ChangeSet } from "@/mechanism/change-set";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newId } from "@/outside/random";

class DuplicateCollection {
  @Id() collection: string;
  /** Whether the items stand in the copy too; else it has only the sections and the collections inside. */
  @IsBoolean() items: boolean;
}

export const duplicateCollection = action({
  name: "collections.duplicate",
  about:
    "Makes a second collection behind this one, with its sections and those inside it, with or without the items. It is the team's own at first, whoever sees the original.",
  input: DuplicateCollection,
  allow: can.arrange("collection"),
  // The tree; the collections of it that are meant are locked together, in their order.
  locks: () => ({ team: true }),
  history: "duplicate a collection",
  run: async ({ input, scope, tx, at, set, add }) => {
    const tree = await collectionTree(tx, scope.team!);
    const all = [...insideOf(tree, input.collection)];
    const rows = await lockCollections(tx, all);
    const root = rows.find((row) => row.id === input.collection)!;
    const title = `${root.title.slice(0, 193)} (copy)`;
    const mates = await orderOfCollections(tx, scope.team!, root.parent);
    const { position, respread: moved } = placeAfter(mates, root.id);
    await set.respread("collection", moved, mates);
    /** The copy of each collection. */
    const ids = new Map(all.map((id) => [id, newId()]));
    const times = { createdAt: at, updatedAt: at };
    // Readers of what the original stands in are not shown its copy before somebody says so.
    const seen = root.parent !== null && isSharedWithAllInside(tree, root.parent, at);
    const copies = rows.map((row) => ({
      ...row,
      sharedUntil: null,
      shows: "living" as const,
      ...(row === root
        ? { position, title, leftOut: seen || root.leftOut }
        : { parent: ids.get(row.parent!)! }),
      ...times,
      id: ids.get(row.id)!,
      audience: "team" as const,
      version: 1,
    }));
    await add("collection", copies, { say: { title: root.title } });
    const sections = await copySections(tx, set, ids);
    if (input.items) await copyItems(tx, set, ids, sections, scope.person!);
    const tags = await collectionTagsOf(tx, all);
    await add(
      "collectionTag",
      tags.map((row) => ({ ...row, collection: ids.get(row.collection)! })),
      { along: true },
    );
    return { collection: { id: ids.get(root.id)!, title } };
  },
});

/** Whether somebody outside the team sees whatever is put into this collection. */
function isSharedWithAllInside(
  tree: readonly (Omit<Shared, "code"> & { id: string })[],
  id: string,
  at: Date,
): boolean {
  const known = new Map(tree.map((one) => [one.id, one]));
  for (let one = known.get(id); one; one = known.get(one.parent ?? ""))
    if (one.reach === "all" && audienceNow(one, at) !== "team") return true;
  return false;
}

type Copies = ReadonlyMap<string, string>;

/** @returns the copy of each section */
async function copySections(tx: Tx, set: ChangeSet, collections: Copies): Promise<Copies> {
  const rows = await sectionsIn(tx, [...collections.keys()]);
  const made = new Map(rows.map((row) => [row.id, newId()]));
  const copies = rows.map((row) => ({
    ...row,
    id: made.get(row.id)!,
    collection: collections.get(row.collection)!,
    createdAt: set.at,
  }));
  await set.add("section", copies, { along: true });
  return made;
}

async function copyItems(
  tx: Tx,
  set: ChangeSet,
  collections: Copies,
  sections: Copies,
  person: string,
): Promise<void> {
  for (const [from, to] of collections) {
    const rows = await placementsIn(tx, from);
    const kept = rows.filter((row) => row.section === null || sections.has(row.section));
    const copies = kept.map((row) => ({
      ...row,
      id: newId(),
      collection: to,
      section: row.section && sections.get(row.section)!,
      // Nobody was asked there.
      ...{ askedOf: null, askedBy: null, askedUntil: null },
      addedBy: person,
      createdAt: set.at,
      updatedAt: set.at,
    }));
    await set.add("placement", copies, { along: true });
    const ids = new Map(kept.map((row, i) => [row.id, copies[i]!.id]));
    const served = await servedBy(tx, [...ids.keys()]);
    await set.add(
      "serves",
      served.map((one) => ({ ...one, placement: ids.get(one.placement)!, createdAt: set.at })),
      { along: true },
    );
  }
}
