import { and, eq, inArray } from "drizzle-orm";
import type { Tx } from "@/data/database";
import { lockTeam } from "@/data/queries/collections";
import { collection } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class RestoreCollection {
  @Id() collection: string;
}

export const restoreCollection = action({
  name: "bin.restore-collection",
  about: "Puts a collection back with everything in it; at the top, if the one around it is gone.",
  input: RestoreCollection,
  allow: can.restore("collection"),
  run: async ({ input, scope, tx, tell }) => {
    await lockTeam(tx, scope.team!);
    const [row] = await tx.select().from(collection).where(eq(collection.id, input.collection));
    if (!row?.deletedAt) return { restored: input.collection };
    const all = await withTheSame(tx, row.team, row.id, row.deletedAt);
    await tx.update(collection).set({ deletedAt: null, updatedAt: now() }).where(inArray(collection.id, all));
    const [around] = row.parent
      ? await tx.select().from(collection).where(eq(collection.id, row.parent))
      : [];
    if (around?.deletedAt) await tx.update(collection).set({ parent: null }).where(eq(collection.id, row.id));
    tell({ subject: row.id, collection: row.id });
    return { restored: row.id };
  },
});

/** The collection and those inside it that went into the bin with it. */
async function withTheSame(tx: Tx, team: string, id: string, deletedAt: Date): Promise<string[]> {
  const gone = await tx
    .select({ id: collection.id, parent: collection.parent })
    .from(collection)
    .where(and(eq(collection.team, team), eq(collection.deletedAt, deletedAt)));
  const all = [id];
  for (const one of all)
    all.push(...gone.filter((row) => row.parent === one && !all.includes(row.id)).map((row) => row.id));
  return all;
}
