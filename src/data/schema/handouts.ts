import { boolean, index, mysqlTable, primaryKey, text, uniqueIndex } from "drizzle-orm/mysql-core";
import { line, moment, uuid } from "./columns";
import { learner, learnerGroup } from "./groups";
import { team } from "./people";

/**
 * A collection handed out to a group. What stands in it is an edition; a correction is another one. Of each learner only what
 * they did is kept beside it (`sheet`), so handing out to two hundred is one row.
 */
export const handout = mysqlTable(
  "handout",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    /** What it was made of, which is not cleared from the bin while something of it is handed out. */
    collection: uuid("collection").notNull(),
    group: uuid("group_id")
      .notNull()
      .references(() => learnerGroup.id, { onDelete: "cascade" }),
    /** What learners are given now. */
    edition: uuid("edition").notNull(),
    title: line("title", 200).notNull(),
    /** Whether they write in it; otherwise they read and tick. */
    writes: boolean("writes").notNull(),
    /** From then on it is only read. */
    until: moment("until"),
    createdBy: uuid("created_by").notNull(),
    createdAt: moment("created_at").notNull(),
    deletedAt: moment("deleted_at"),
  },
  (t) => [
    index("handout_group").on(t.group, t.id),
    index("handout_collection").on(t.collection),
    index("handout_edition").on(t.edition),
    index("handout_team").on(t.team, t.id),
  ],
);

/** What one learner has done with a handout; it is there from when they first opened it. */
export const sheet = mysqlTable(
  "sheet",
  {
    id: uuid("id").primaryKey(),
    handout: uuid("handout")
      .notNull()
      .references(() => handout.id, { onDelete: "cascade" }),
    learner: uuid("learner")
      .notNull()
      .references(() => learner.id, { onDelete: "cascade" }),
    openedAt: moment("opened_at").notNull(),
    /** When something was ticked or written last. */
    writtenAt: moment("written_at"),
    handedInAt: moment("handed_in_at"),
    /** When who gave it looked at it last. */
    lookedAt: moment("looked_at"),
    /** What whoever gave it says to the learner; null: nothing yet. */
    remark: text("remark"),
  },
  (t) => [uniqueIndex("sheet_of").on(t.handout, t.learner)],
);

/** What a learner did with one item of a handout. */
export const sheetItem = mysqlTable(
  "sheet_item",
  {
    sheet: uuid("sheet")
      .notNull()
      .references(() => sheet.id, { onDelete: "cascade" }),
    /** As the edition names it. */
    item: uuid("item").notNull(),
    /** The edition it stood in when something was written last: where it is found when a correction takes it out. */
    edition: uuid("edition").notNull(),
    done: boolean("done").notNull().default(false),
    /** Why it stands here, in their own words; null: as it was given. */
    context: text("context"),
    /** What was given when they wrote that. */
    contextFrom: text("context_from"),
    answer: text("answer").notNull(),
    note: text("note").notNull(),
  },
  (t) => [primaryKey({ columns: [t.sheet, t.item] })],
);

/** What a learner found themselves. It is theirs until it is collected, and not in the catalogue. */
export const sheetFind = mysqlTable(
  "sheet_find",
  {
    id: uuid("id").primaryKey(),
    sheet: uuid("sheet")
      .notNull()
      .references(() => sheet.id, { onDelete: "cascade" }),
    /** The section it was put into, as the edition names it; null: at the end of what stands in none. */
    section: uuid("section"),
    address: text("address").notNull(),
    title: line("title", 300).notNull(),
    context: text("context").notNull(),
    createdAt: moment("created_at").notNull(),
    deletedAt: moment("deleted_at"),
  },
  (t) => [index("sheet_find_sheet").on(t.sheet)],
);
