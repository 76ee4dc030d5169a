import { getTableColumns } from "drizzle-orm";
import { exchangeIds, readLocalId } from "@/core/archive/local-ids";
import type { MySqlColumn } from "drizzle-orm/mysql-core";
import type { Archived } from "./tables";

/** A field of a table: its name in the archive, that of its column, and how it is written. */
export type Field = {
  name: string;
  column: string;
  kind: "date" | "json" | "boolean" | "id" | "loose id" | "plain";
};

/** What is as each database makes it: when a row was written, how often it was changed. */
export const OMITTED: ReadonlySet<string> = new Set(["written", "version"]);

const known = new WeakMap<Archived, readonly Field[]>();

/** The fields of a table as an archive has them. */
export function fieldsOf(archived: Archived): readonly Field[] {
  const found = known.get(archived) ?? read(archived);
  known.set(archived, found);
  return found;
}

const read = ({ table, loose = [] }: Archived): Field[] =>
  (Object.entries(getTableColumns(table)) as [string, MySqlColumn][])
    .filter(([name]) => !OMITTED.has(name))
    .map(([name, column]) => ({
      ...{ name, column: column.name },
      kind: loose.includes(name) ? "loose id" : kindOf(column),
    }));

/** JSON that may be large is a text of a kind of its own. */
function kindOf(column: MySqlColumn): Field["kind"] {
  if (column.dataType === "date" || column.dataType === "json" || column.dataType === "boolean")
    return column.dataType;
  const type = column.dataType === "custom" ? column.getSQLType() : "";
  return type === "uuid" ? "id" : type.startsWith("mediumtext") ? "json" : "plain";
}

/**
 * A row as it comes from the database, as a line of JSON with the ids of an archive. What is JSON in it already stands there
 * as it is: reading and writing it again would take longer than all the rest. What people wrote stays as they wrote it.
 */
export function lineOf(
  fields: readonly Field[],
  row: Readonly<Record<string, unknown>>,
  exchange: (id: string) => string,
): string {
  let line = "";
  for (const { name, column, kind } of fields)
    line += `${line ? "," : "{"}"${name}":${written(kind, row[column], exchange)}`;
  return `${line}}`;
}

function written(kind: Field["kind"], value: unknown, exchange: (id: string) => string): string {
  if (value === null || value === undefined) return "null";
  switch (kind) {
    case "id":
      return `"${exchange(value as string)}"`;
    case "loose id": {
      const id = exchange(value as string);
      return readLocalId(id)?.kind === "row" ? `"${id}"` : "null";
    }
    case "date":
      return `"${inUtc(value)}"`;
    case "boolean":
      return value ? "true" : "false";
    case "json":
      return exchangeIds(typeof value === "string" ? value : JSON.stringify(value), exchange);
    default:
      return typeof value === "number" ? String(value) : JSON.stringify(value);
  }
}

/** The database's own way to write a time in UTC, as ISO 8601 has it. */
const inUtc = (value: unknown): string =>
  value instanceof Date ? value.toISOString() : `${String(value).replace(" ", "T")}Z`;

/** The same back as the driver takes it. */
export const valueOf = (kind: Field["kind"], value: unknown): unknown =>
  kind === "json" && value !== null && value !== undefined ? JSON.stringify(value) : value;
