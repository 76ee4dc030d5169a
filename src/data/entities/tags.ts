import { eq, inArray } from "drizzle-orm";
import type { Tx } from "../database";
import { collectionsHolding } from "../queries/resources";
import { insertTags } from "../queries/tags";
import { reindexResources } from "../search/reindex-queue";
import { resourceTag, tag } from "../schema";
import type { Entity } from "./entity";

/** The tag itself; merging and deleting take its row away. */
export const tags: Entity<typeof tag.$inferInsert> = {
  idOf: ({ id }) => id,
  present: ({ name, key }) => ({ name, key }),
  absent: null,
  subjectOf: (id) => id,
  read: async (tx, ids) => {
    const rows = await tx
      .select()
      .from(tag)
      .where(inArray(tag.id, [...ids]))
      .for("update");
    return new Map(rows.map(({ id, name, key }) => [id, { name, key }]));
  },
  insert: insertTags,
  write: async (tx, ids, fields, { team, at }) => {
    if (!fields) return void (await tx.delete(tag).where(inArray(tag.id, [...ids])));
    for (const id of ids) {
      const [there] = await tx.select({ id: tag.id }).from(tag).where(eq(tag.id, id));
      if (there) await tx.update(tag).set(fields).where(eq(tag.id, id));
      else
        await tx
          .insert(tag)
          .values({ id, team, ...(fields as { name: string; key: string }), createdAt: at });
    }
    // Under its other name, too, it is found.
    await reindexResources(tx, await taggedWith(tx, ids));
  },
  seenIn: async (tx, changes) =>
    collectionsHolding(
      tx,
      await taggedWith(
        tx,
        changes.map(({ id }) => id),
      ),
    ),
  heardIn: async () => () => [null],
  verbs: { added: "tags.edit", removed: "tags.edit", restored: "tags.edit", changed: () => "tags.edit" },
};

/** The resources that carry one of these tags. */
async function taggedWith(tx: Tx, ids: readonly string[]): Promise<string[]> {
  const rows = await tx
    .selectDistinct({ id: resourceTag.resource })
    .from(resourceTag)
    .where(inArray(resourceTag.tag, [...ids]));
  return rows.map((row) => row.id);
}
