import { eq, inArray, sql } from "drizzle-orm";
import type { Change } from "@/core/history/change";
import { meaningOf } from "@/core/history/verbs";
import type { Tx } from "../database";
import { placement, resource, reindexQueue } from "../schema";

type Told = {
  verb: string;
  subject: string;
  collection?: string | null;
  data?: Record<string, unknown>;
  changes?: readonly Change[] | null;
};

/** Of an item that leads to something else: to what it led. */
const ledTo = ({ type, before, after }: Change): string[] =>
  type === "placement" && typeof before?.resource === "string" && after?.resource ? [before.resource] : [];

/** Notes, with what happened, which resources the index of words must be fed with anew. */
export async function queueReindex(tx: Tx, told: readonly Told[]): Promise<void> {
  const pick = (words: ReturnType<typeof meaningOf>["words"]) =>
    told.filter(({ verb }) => meaningOf(verb).words === words);
  await reindexResources(tx, [
    // Of a merge both are others now.
    ...pick("resource").flatMap(({ subject, data }) =>
      typeof data?.gone === "string" ? [subject, data.gone] : [subject],
    ),
    // What an item led to before has its words no more.
    ...pick("item").flatMap(({ changes }) => (changes ?? []).flatMap(ledTo)),
  ]);
  const placements = pick("item").map(({ subject }) => subject);
  if (placements.length)
    await tx.execute(
      sql`INSERT INTO ${reindexQueue} (id, resource, team) SELECT UUID(), resource, team FROM ${placement} WHERE ${inArray(placement.id, placements)}`,
    );
  const collections = pick("inside").flatMap(({ collection }) => collection ?? []);
  if (collections.length)
    await tx.execute(
      sql`INSERT INTO ${reindexQueue} (id, resource, team) SELECT UUID(), resource, team FROM ${placement} WHERE ${inArray(placement.collection, collections)} GROUP BY resource, team`,
    );
}

/** Whether something of a team waits to be fed to its index. */
export async function isQueued(tx: Tx, team: string): Promise<boolean> {
  const rows = await tx
    .select({ id: reindexQueue.id })
    .from(reindexQueue)
    .where(eq(reindexQueue.team, team))
    .limit(1);
  return rows.length > 0;
}

/** The same for these resources, whatever happened to them. */
export async function reindexResources(tx: Tx, ids: readonly string[]): Promise<void> {
  const all = [...new Set(ids)];
  for (let i = 0; i < all.length; i += 500)
    await tx.execute(
      sql`INSERT INTO ${reindexQueue} (id, resource, team) SELECT UUID(), id, team FROM ${resource} WHERE ${inArray(resource.id, all.slice(i, i + 500))}`,
    );
}
