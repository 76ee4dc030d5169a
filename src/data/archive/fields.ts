import { getTableColumns } from "drizzle-orm";
import { exchangeIds, readLocalId } from "@/core/archive/local-ids";
import type { MySqlColumn } from "drizzle-orm/mysql-core";
import type { Archived } from "./tables";

/** A field of a table: its name in the archive, that of its column, and how it is written. */
export type Field = {
  name: string;
  column: string;
  kind: "date" | "json" | "boolean" | "number" | "id" | "loose id" | "plain";
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
  const { dataType } = column;
  if (dataType === "date" || dataType === "json" || dataType === "boolean" || dataType === "number")
    return dataType;
  const type = column.dataType === "custom" ? column.getSQLType() : "";
  return type === "uuid" ? "id" : type.startsWith("mediumtext") ? "json" : "plain";
}

/** Around an id in a line of the database, and around JSON that stood in a column; no text has these in it as they are. */
const ID = "\u0001";
const JSON_OF = "\u0002";

/**
 * A row as a line of JSON, made by the database: to make a value of each field here would take longer than all the rest.
 * Ids and JSON stand between marks, by which `withIds` finds them.
 * @returns an expression of MariaDB
 */
export const lineExpression = (fields: readonly Field[]): string =>
  `CONCAT('{',${fields
    .map(
      ({ name, column, kind }, i) =>
        `'${i ? "," : ""}"${name}":',COALESCE(${expressionOf(kind, `\`${column}\``)},'null')`,
    )
    .join(",")},'}')`;

function expressionOf(kind: Field["kind"], column: string): string {
  switch (kind) {
    case "id":
      return `CONCAT(CHAR(1),${column},CHAR(1))`;
    case "loose id":
      return `CONCAT(CHAR(1),'?',${column},CHAR(1))`;
    case "date":
      return `CONCAT('"',LEFT(DATE_FORMAT(${column},'%Y-%m-%dT%H:%i:%s.%f'),23),'Z"')`;
    case "boolean":
      return `IF(${column},'true','false')`;
    case "number":
      return `CAST(${column} AS CHAR)`;
    case "json":
      return `CONCAT(CHAR(2),${column},CHAR(2))`;
    default:
      return `JSON_QUOTE(${column})`;
  }
}

const MARKED = new RegExp(`${ID}([^${ID}]*)${ID}|${JSON_OF}([^${JSON_OF}]*)${JSON_OF}`, "g");

/** Lines of the database with the ids of an archive. What people wrote stays as they wrote it, also where it looks like an id. */
export const withIds = (lines: string, exchange: (id: string) => string): string =>
  lines.replace(MARKED, (_, id: string | undefined, json: string) => {
    if (id === undefined) return exchangeIds(json, exchange);
    if (!id.startsWith("?")) return `"${exchange(id)}"`;
    const found = exchange(id.slice(1));
    return readLocalId(found)?.kind === "row" ? `"${found}"` : "null";
  });

/** The same back as the driver takes it. */
export const valueOf = (kind: Field["kind"], value: unknown): unknown =>
  kind === "json" && value !== null && value !== undefined ? JSON.stringify(value) : value;
