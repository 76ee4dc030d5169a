import { index, int, mysqlTable, primaryKey } from "drizzle-orm/mysql-core";
import type { Comfort } from "@/core/read/comfort";
import { resource } from "./catalogue";
import { bigJson, moment, uuid } from "./columns";
import { person } from "./people";

/** How a person likes to read. */
export const readingComfort = mysqlTable("reading_comfort", {
  person: uuid("person")
    .primaryKey()
    .references(() => person.id, { onDelete: "cascade" }),
  comfort: bigJson<Comfort>("comfort").notNull(),
  updatedAt: moment("updated_at").notNull(),
});

/** Where a person was in a text, to go on there on whatever device. */
export const readingPlace = mysqlTable(
  "reading_place",
  {
    person: uuid("person").notNull(),
    resource: uuid("resource")
      .notNull()
      .references(() => resource.id, { onDelete: "cascade" }),
    /** In characters of the copy's text, and how long that was. */
    place: int("place").notNull(),
    length: int("length").notNull(),
    updatedAt: moment("updated_at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.person, t.resource] }), index("reading_place_resource").on(t.resource)],
);
