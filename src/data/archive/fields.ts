import { getTableColumns } from "drizzle-orm";
import { exchangeIds, readLocalId } from "@/core/archive/local-ids";
import type { MySqlColumn } from "drizzle-orm/mysql-core";
import type { Archived } from "./tables";
import { usualOf } from "./usual";

/** A field of a table: its name in the archive, that of its column, and how it is written. */
export type Field = {
  name: string;
  column: string;
  kind: "date" | "json" | "boolean" | "number" | "id" | "loose id" | "plain";
  /** What is left out: nothing at all, or what every new row has there and is as good as nothing. */
  leftOut: "null" | "empty text" | "zero" | null;
  /** What is left out besides, as an expression of MariaDB. */
  usual?: string;
  /** The team is the archive's own, and what no row names has no id in it: in every row they would be a tenth of all of it. */
  isSaid: boolean;
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

const read = ({ name: ofTable, table, loose = [], dense }: Archived): Field[] =>
  (Object.entries(getTableColumns(table)) as [string, MySqlColumn][])
    .filter(([name]) => !OMITTED.has(name))
    .map(([name, column]) => ({
      ...{ name, column: column.name, leftOut: leftOutOf(column) },
      kind: loose.includes(name) ? "loose id" : kindOf(column),
      usual: usualOf(ofTable, name)?.sql,
      isSaid: name !== "team" && !(dense && name === "id"),
    }));

function leftOutOf({ notNull, default: usual }: MySqlColumn): Field["leftOut"] {
  if (!notNull) return "null";
  if (usual === "") return "empty text";
  return usual === 0 || usual === false ? "zero" : null;
}

/** JSON that may be large is a text of a kind of its own. */
function kindOf(column: MySqlColumn): Field["kind"] {
  const { dataType } = column;
  if (dataType === "date" || dataType === "json" || dataType === "boolean" || dataType === "number")
    return dataType;
  const type = column.dataType === "custom" ? column.getSQLType() : "";
  return type === "uuid" ? "id" : type.startsWith("mediumtext") ? "json" : "plain";
}

/** Around JSON that stood in a column and may name something; no text has it in it as it is. */
const JSON_OF = "\u0002";
/** An id within its quotation marks. */
const SHORTEST_WITH_ID = 38;

/** A row as the database makes it for a line: its ids by `id0`, `id1` …, and the rest as JSON, each field after a comma. */
export type HalfLine = { rest: string } & Record<`id${number}`, string | null>;

const isId = ({ kind }: Field): boolean => kind === "id" || kind === "loose id";

/**
 * What is asked of the database for the lines of a table. It writes the JSON itself: to make a value of each field here would
 * take longer than all the rest. Ids come by themselves, since they are others in an archive.
 * @returns expressions of MariaDB
 */
export function halfLines(fields: readonly Field[]): string[] {
  const said = fields.filter((field) => field.isSaid);
  const rest = said.filter((field) => !isId(field)).map(partOf);
  return [
    ...said.filter(isId).map(({ column }, i) => `\`${column}\` AS id${i}`),
    `CONCAT(${["''", ...rest].join(",")}) AS rest`,
  ];
}

function partOf({ name, column, kind, leftOut, usual }: Field): string {
  const quoted = `\`${column}\``;
  const part = `',"${name}":',${expressionOf(kind, quoted)}`;
  if (usual) return `IF(${quoted}=${usual},'',CONCAT(${part}))`;
  switch (leftOut) {
    case "null":
      return `IF(${quoted} IS NULL,'',CONCAT(${part}))`;
    case "empty text":
      return `IF(LENGTH(${quoted})=0,'',CONCAT(${part}))`;
    case "zero":
      return `IF(${quoted}=0,'',CONCAT(${part}))`;
    case null:
      return part;
  }
}

function expressionOf(kind: Field["kind"], column: string): string {
  switch (kind) {
    case "date":
      return `CONCAT('"',REPLACE(CAST(${column} AS DATETIME(3)),' ','T'),'Z"')`;
    case "boolean":
      return `IF(${column},'true','false')`;
    case "number":
      return `CAST(${column} AS CHAR)`;
    case "json":
      return `IF(LENGTH(${column})<${SHORTEST_WITH_ID},${column},CONCAT(CHAR(2),${column},CHAR(2)))`;
    default:
      return `JSON_QUOTE(${column})`;
  }
}

const MARKED = new RegExp(`${JSON_OF}([^${JSON_OF}]*)${JSON_OF}`, "g");

/** Gives an id the one it has in the archive. @param once it is not looked for again soon, and need not be kept */
export type Exchange = (id: string, once?: boolean) => string;

/**
 * Makes lines of what the database gave, with the ids of an archive. What people wrote stays as they wrote it, also where it
 * looks like an id.
 */
export function lineMaker(fields: readonly Field[], exchange: Exchange): (row: HalfLine) => string {
  const ids = fields.filter((field) => field.isSaid && isId(field));
  const parts = ids.map(({ name, kind }, i) => ({
    key: `id${i}` as const,
    before: `,"${name}":"`,
    isOwn: name === "id",
    isLoose: kind === "loose id",
    // What the row before had there, and what that became: who added something has often added the next, too.
    id: "",
    said: "",
  }));
  return (row) => {
    let line = "";
    for (const part of parts) {
      const id = row[part.key];
      if (typeof id !== "string") continue;
      if (id !== part.id) {
        const found = exchange(id, part.isOwn);
        part.id = id;
        part.said = part.isLoose && readLocalId(found)?.kind !== "row" ? "" : `${part.before}${found}"`;
      }
      line += part.said;
    }
    const { rest } = row;
    line += rest.includes(JSON_OF)
      ? rest.replace(MARKED, (_, json: string) => exchangeIds(json, exchange))
      : rest;
    return `{${line.slice(1)}}\n`;
  };
}

/** The same back as the driver takes it. */
export const valueOf = (kind: Field["kind"], value: unknown): unknown =>
  kind === "json" && value !== null && value !== undefined ? JSON.stringify(value) : value;
