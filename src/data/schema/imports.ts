import { index, int, mysqlTable, primaryKey, varchar } from "drizzle-orm/mysql-core";
import type { BroughtLine, BroughtPlace } from "@/core/imports/brought";
import type { TagSeparator } from "@/core/formats/imported";
import { bigJson, bytesText, line, moment, uuid } from "./columns";
import { team } from "./people";

export type ImportState = "staging" | "running" | "paused" | "cancelled" | "done" | "undoing" | "undone";

/** What became of a line: made anew, placed again, here already, no address, left out by hand. */
export type Outcome = {
  became: "made" | "placed" | "here" | "rejected" | "left";
  resource?: string;
  placement?: string;
  /** Ids of the links to tags that this line added. */
  tags?: string[];
};

/** One import: many lines brought in by one act of one person. */
export const intake = mysqlTable(
  "import",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    person: uuid("person").notNull(),
    /** The name of the file, or where it came from in words. */
    name: line("name", 200).notNull(),
    state: varchar("state", { length: 12 }).$type<ImportState>().notNull(),
    separator: varchar("separator", { length: 12 }).$type<TagSeparator>().notNull(),
    /** The collection everything goes into; null: places at the top, lines without one into the Tray. */
    into: uuid("into_collection"),
    section: uuid("into_section"),
    places: bigJson<BroughtPlace[]>("places").notNull(),
    /** Ids of the collections and sections that stand for the places, once they are made; `made` by this import. */
    standing: bigJson<{ id: string; section: boolean; made: boolean }[]>("standing").notNull(),
    total: int("total").notNull(),
    done: int("done").notNull().default(0),
    made: int("made").notNull().default(0),
    placed: int("placed").notNull().default(0),
    here: int("here").notNull().default(0),
    rejected: int("rejected").notNull().default(0),
    left: int("left_out").notNull().default(0),
    createdAt: moment("created_at").notNull(),
    updatedAt: moment("updated_at").notNull(),
  },
  (t) => [index("import_team").on(t.team, t.id)],
);

/** The lines of an import, some hundred together: one part is one transaction of the job. */
export const importPart = mysqlTable(
  "import_part",
  {
    import: uuid("import")
      .notNull()
      .references(() => intake.id, { onDelete: "cascade" }),
    no: int("no").notNull(),
    lines: bigJson<BroughtLine[]>("lines_").notNull(),
    outcomes: bigJson<Outcome[] | null>("outcomes"),
    state: varchar("state", { length: 8 }).$type<"waiting" | "done" | "undone">().notNull(),
    /** A part sent twice is kept once. */
    hash: bytesText("hash", { length: 64 }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.import, t.no] }), index("import_part_next").on(t.import, t.state, t.no)],
);
