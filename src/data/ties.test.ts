import { getTableColumns } from "drizzle-orm";
import { getTableConfig, MySqlTable } from "drizzle-orm/mysql-core";
import { expect, test } from "vitest";
import { ENTITY_TYPES } from "@/core/history/change";
import { ABOUT_PERSON, NOT_TOLD } from "./archive/about-person";
import { ARCHIVED, NOT_ARCHIVED } from "./archive/tables";
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

test("every table that is taken along is in the archive, or says why not; and nothing else is in it", () => {
  const along = Object.entries(TIES).flatMap(([name, ties]) => (ties.archive === "taken along" ? name : []));
  const said = [...ARCHIVED.map((one) => one.name), ...Object.keys(NOT_ARCHIVED)];
  expect(said.toSorted()).toEqual(along.toSorted());
  for (const { name, refs, people, hashes = [] } of ARCHIVED) {
    const fields = Object.keys(getTableColumns(ARCHIVED.find((one) => one.name === name)!.table));
    for (const field of [...Object.keys(refs), ...people, ...hashes])
      expect(fields, `${name} has no ${field}`).toContain(field);
    // Whatever refers to something comes after it, or to its own kind.
    const before = ARCHIVED.slice(0, ARCHIVED.findIndex((one) => one.name === name) + 1).map(
      (one) => one.name,
    );
    for (const of of Object.values(refs)) expect(before, name).toContain(of);
  }
});

test("every table that goes with an account is told to its person, or says why not; what is told opens no door", () => {
  const going = Object.entries(TIES).flatMap(([name, ties]) => (ties.account.endsWith("goes") ? name : []));
  const said = [...ABOUT_PERSON.map((one) => one.name), ...Object.keys(NOT_TOLD)];
  expect(said.toSorted()).toEqual([...going, "event"].toSorted());
  for (const { name, table, leave = [] } of ABOUT_PERSON)
    for (const field of Object.keys(getTableColumns(table)))
      if (/token|secret|password|local$/i.test(field) || (field === "hash" && name === "access_token"))
        expect(leave.includes(field) || /^.*ExpiresAt$/.test(field), `${name}.${field}`).toBe(true);
});
