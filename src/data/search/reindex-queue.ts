import { inArray, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { placement, resource, reindexQueue } from "../schema";

type Told = { verb: string; subject: string; collection?: string | null; data?: Record<string, unknown> };

/** After these the words of one resource are others; the subject is the resource. */
const OF_RESOURCES =
  /^(resources\.(?!proposed)|tags\.(add|remove|change)|capture\.|duplicates\.|bin\.restore-resource)/;
/** The subject is a placement: its heading and context line are among the words. Moving changes no words. */
const OF_PLACEMENTS = /^(placements\.(add|edit|remove)|bin\.restore-placement)/;
/** Everything that stands in the collection. */
const OF_COLLECTIONS =
  /^(collections\.(remove|make)|bin\.restore-(collection|section)|sections\.remove|imports\.undone)/;

/** Notes, with what happened, which resources the index of words must be fed with anew. */
export async function queueReindex(tx: Tx, told: readonly Told[]): Promise<void> {
  const pick = (which: RegExp) => told.filter(({ verb }) => which.test(verb));
  await reindexResources(
    tx,
    // Of a merge both are others now.
    pick(OF_RESOURCES).flatMap(({ subject, data }) =>
      typeof data?.gone === "string" ? [subject, data.gone] : [subject],
    ),
  );
  const placements = pick(OF_PLACEMENTS).map(({ subject }) => subject);
  if (placements.length)
    await tx.execute(
      sql`INSERT INTO ${reindexQueue} (id, resource, team) SELECT UUID(), resource, team FROM ${placement} WHERE ${inArray(placement.id, placements)}`,
    );
  const collections = pick(OF_COLLECTIONS).flatMap(({ collection }) => collection ?? []);
  if (collections.length)
    await tx.execute(
      sql`INSERT INTO ${reindexQueue} (id, resource, team) SELECT UUID(), resource, team FROM ${placement} WHERE ${inArray(placement.collection, collections)} GROUP BY resource, team`,
    );
}

/** The same for these resources, whatever happened to them. */
export async function reindexResources(tx: Tx, ids: readonly string[]): Promise<void> {
  const all = [...new Set(ids)];
  for (let i = 0; i < all.length; i += 500)
    await tx.execute(
      sql`INSERT INTO ${reindexQueue} (id, resource, team) SELECT UUID(), id, team FROM ${resource} WHERE ${inArray(resource.id, all.slice(i, i + 500))}`,
    );
}
