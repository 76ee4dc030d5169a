import { getTableConfig, MySqlTable } from "drizzle-orm/mysql-core";
import { expect, test } from "vitest";
import { ENTITY_TYPES } from "@/core/history/change";
import * as schema from "./schema";
import { TIES } from "./ties";

const tables = (Object.values(schema) as unknown[])
  .filter((one) => one instanceof MySqlTable)
  .map((table) => getTableConfig(table));
const columnsOf = (name: string) => tables.find((one) => one.name === name)!.columns.map((one) => one.name);

test("every table says how it joins undo, bin, copies, merging, accounts and the archive; none is listed that is not there", () => {
  expect(Object.keys(TIES).toSorted()).toEqual(tables.map((one) => one.name).toSorted());
});

test("what goes into the bin by itself has the moment it went; what is made again is nobody's", () => {
  for (const [name, ties] of Object.entries(TIES)) {
    expect(columnsOf(name).includes("deleted_at"), name).toBe(ties.bin === "itself");
    if (ties.archive === "derived") expect(ties.account, name).toBe("not of a person");
    if (ties.bin === "with resource") expect(ties.merge, name).not.toBe("not of a resource");
    if (ties.bin === "with collection") expect(ties.duplicate, name).not.toBe("not of a collection");
  }
});

test("every kind of thing that can be taken back has a table, and one only", () => {
  const undone = Object.values(TIES).flatMap(({ undo }) => undo ?? []);
  expect(undone.toSorted()).toEqual([...ENTITY_TYPES].toSorted());
});
