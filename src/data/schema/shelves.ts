import { index, int, mysqlTable } from "drizzle-orm/mysql-core";
import type { Listing } from "@/core/shelves/listing";
import { collection } from "./arranging";
import { bigJson, moment, uuid } from "./columns";

/**
 * What is known of each collection that is public by itself, where public ones are looked for. Derived from what its
 * readers are shown. Its words stand in the index of words under `PUBLIC` in place of a team.
 */
export const listing = mysqlTable(
  "listing",
  {
    collection: uuid("collection")
      .primaryKey()
      .references(() => collection.id, { onDelete: "cascade" }),
    /** When it was first public; one that is public anew is not new. */
    since: moment("since").notNull(),
    /** Counts what changed for its readers, in the transaction that changed it. */
    noted: int("noted").notNull(),
    /** As which of these counts it has been read; another one: what stands here is old. */
    taken: int("taken").notNull(),
    /** Null: it is not public any more, or was not read yet. */
    content: bigJson<Listing>("content"),
  },
  (t) => [index("listing_new").on(t.since, t.collection)],
);
