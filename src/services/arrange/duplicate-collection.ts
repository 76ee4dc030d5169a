import { and, asc, eq, inArray, isNull } from "drizzle-orm";
import { IsBoolean } from "class-validator";
import { insideOf } from "@/core/list/tree-moves";
import { placeAfter } from "@/core/order/place";
import type { Change } from "@/core/undo/change";
import type { Tx } from "@/data/database";
import { collectionTree, lockTeam } from "@/data/queries/collections";
import { respread } from "@/data/queries/placements";
import { collection, collectionTag, placement, section } from "@/data/schema";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";

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
  run: async ({ input, scope, tx, tell, did }) => {
    await lockTeam(tx, scope.team!);
    const tree = await collectionTree(tx, scope.team!);
    const all = [...insideOf(tree, input.collection)];
    const rows = await tx.select().from(collection).where(inArray(collection.id, all));
    const root = rows.find((row) => row.id === input.collection)!;
    const mates = tree.filter((one) => one.parent === root.parent);
    const { position, respread: moved } = placeAfter(mates, root.id);
    await respread(tx, collection, moved);
    const at = now();
    const ids = new Map(all.map((id) => [id, newId()]));
    await tx.insert(collection).values(
      rows.map((row) => ({
        ...row,
        id: ids.get(row.id)!,
        parent: row === root ? row.parent : ids.get(row.parent!)!,
        position: row === root ? position : row.position,
        title: row === root ? `${row.title.slice(0, 193)} (copy)` : row.title,
        audience: "team" as const,
        version: 1,
        createdAt: at,
        updatedAt: at,
      })),
    );
    const sections = await copySections(tx, ids, at);
    if (input.items) await copyItems(tx, ids, sections, scope.person!, at);
    const tags = await tx.select().from(collectionTag).where(inArray(collectionTag.collection, all));
    if (tags.length)
      await tx
        .insert(collectionTag)
        .values(tags.map((row) => ({ ...row, collection: ids.get(row.collection)! })));
    const made = ids.get(root.id)!;
    const changes: Change[] = [...ids.values()].map((id) => ({
      thing: "collection",
      id,
      before: { gone: true },
      after: { gone: false },
    }));
    const deed = did("duplicate a collection", changes);
    tell({ subject: made, collection: made, verb: "collections.make", data: { title: root.title } });
    return { collection: { id: made, title: `${root.title.slice(0, 193)} (copy)` }, deed };
  },
});

async function copySections(
  tx: Tx,
  ids: ReadonlyMap<string, string>,
  at: Date,
): Promise<Map<string, string>> {
  const rows = await tx
    .select()
    .from(section)
    .where(and(inArray(section.collection, [...ids.keys()]), isNull(section.deletedAt)));
  const made = new Map(rows.map((row) => [row.id, newId()]));
  if (rows.length)
    await tx.insert(section).values(
      rows.map((row) => ({
        ...row,
        id: made.get(row.id)!,
        collection: ids.get(row.collection)!,
        createdAt: at,
      })),
    );
  return made;
}

async function copyItems(
  tx: Tx,
  ids: ReadonlyMap<string, string>,
  sections: ReadonlyMap<string, string>,
  person: string,
  at: Date,
): Promise<void> {
  for (const [from, to] of ids) {
    const rows = await tx
      .select()
      .from(placement)
      .where(and(eq(placement.collection, from), isNull(placement.deletedAt)))
      .orderBy(asc(placement.id));
    const copies = rows
      .filter((row) => row.section === null || sections.has(row.section))
      .map((row) => ({
        ...row,
        id: newId(),
        collection: to,
        section: row.section && sections.get(row.section)!,
        addedBy: person,
        createdAt: at,
        updatedAt: at,
      }));
    for (let i = 0; i < copies.length; i += 500) await tx.insert(placement).values(copies.slice(i, i + 500));
  }
}
