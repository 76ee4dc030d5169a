import { index, int, mysqlTable, varchar } from "drizzle-orm/mysql-core";
import { bytesText, line, moment, uuid } from "./columns";

export type ArchiveImportState = "running" | "done" | "refused";

/** An archive that is brought back, as the team it makes. */
export const archiveImport = mysqlTable(
  "archive_import",
  {
    id: uuid("id").primaryKey(),
    /** The team it becomes; gone again when it is refused. */
    team: uuid("team").notNull(),
    person: uuid("person").notNull(),
    /** Hash of the archive, which is a stored file as long as it is needed. */
    hash: bytesText("hash", { length: 64 }),
    state: varchar("state", { length: 10 }).$type<ArchiveImportState>().notNull(),
    /** Rows that have come back, and how many there are; 0: that is not known yet. */
    done: int("done").notNull().default(0),
    total: int("total").notNull().default(0),
    /** Why it was refused, in words. */
    problem: line("problem", 300),
    createdAt: moment("created_at").notNull(),
    updatedAt: moment("updated_at").notNull(),
  },
  (t) => [index("archive_import_person").on(t.person, t.id), index("archive_import_hash").on(t.hash)],
);
