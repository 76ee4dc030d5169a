/** `npm run search:rebuild`: has the index of words, and the counts of the catalogue with it, made anew, by whatever worker runs. */
import { sql } from "drizzle-orm";
import { closeDatabase } from "@/data/database";
import { transact } from "@/data/transaction";
import { everyOwnMark, reindexOwn } from "@/data/search/own-words";
import { PUBLIC } from "@/core/shelves/public";
import { database } from "@/mechanism/changing";

await transact(database(), async (tx) => {
  // First what feeders lock an index by: they wait until everything is gone.
  for (const table of [
    "term_stat",
    "term_block",
    "term_posting",
    "term_list",
    "facet_count",
    "reindex_queue",
    "own_term",
  ])
    await tx.execute(sql.raw(`DELETE FROM ${table}`));
  await tx.execute(
    sql`INSERT INTO reindex_queue (id, resource, team) SELECT UUID(), id, team FROM resource WHERE deleted_at IS NULL`,
  );
  await tx.execute(
    sql`INSERT INTO reindex_queue (id, resource, team) SELECT UUID(), collection, ${PUBLIC} FROM listing`,
  );
  await reindexOwn(tx, await everyOwnMark(tx));
});
process.stdout.write(
  "Everything is due now. A running worker feeds the index again; searches find more as it goes.\n",
);
await closeDatabase();
