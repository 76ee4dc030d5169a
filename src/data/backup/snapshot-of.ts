import { getTableName } from "drizzle-orm";
import mysql, { type RowDataPacket } from "mysql2";
import { HOLDERS } from "../queries/held-files";

/** Tables that are made anew from the others, or say something only of the processes that run. */
const LEFT_OUT = new Set([
  "term_block",
  "term_list",
  "term_posting",
  "term_stat",
  "reindex_queue",
  "facet_count",
  "listed_address",
  "listed_tag",
  "cached_count",
  "worker",
  "presence",
  "rate_limit",
  "limit_use",
  "schema_lease",
  "schema_migration",
]);

/** The hashes of all files that are named anywhere. */
const HELD = HOLDERS.map(
  ([table, column]) => `SELECT \`${column.name}\` AS hash FROM \`${getTableName(table)}\``,
).join(" UNION ");

export type Table = { name: string; columns: string[] };

/** A database as it is at one moment, while people go on. */
export type Snapshot = {
  tables: Table[];
  /** The migrations it has. */
  migrations: string[];
  /** The rows of a table, each as a line of JSON: a list of texts, null, or `{ "bytes": base64 }`. */
  lines: (table: Table) => AsyncGenerator<string>;
  /** Hashes of the stored files it names. */
  files: () => Promise<string[]>;
  close: () => Promise<void>;
};

/**
 * Opens a database as it is now: what is read is one state (InnoDB's consistent snapshot), however long it takes.
 * @param url of the database
 */
export async function openSnapshot(url: string): Promise<Snapshot> {
  const connection = mysql.createConnection({ uri: url, timezone: "Z" });
  const waiting = connection.promise();
  const read = async (sql: string) => (await waiting.query<RowDataPacket[]>(sql))[0];
  await waiting.query("SET SESSION time_zone = '+00:00', max_statement_time = 0");
  await waiting.query("SET TRANSACTION ISOLATION LEVEL REPEATABLE READ");
  await waiting.query("START TRANSACTION WITH CONSISTENT SNAPSHOT");
  const columns = await read(
    "SELECT table_name AS t, column_name AS c FROM information_schema.columns WHERE table_schema = database() ORDER BY t, ordinal_position",
  );
  const tables = [...new Set(columns.map((row) => String(row.t)))]
    .filter((name) => !LEFT_OUT.has(name))
    .map((name) => ({ name, columns: columns.filter((row) => row.t === name).map((row) => String(row.c)) }));
  return {
    tables,
    migrations: (await read("SELECT hash FROM schema_migration ORDER BY hash")).map((row) =>
      String(row.hash),
    ),
    lines: async function* ({ name, columns }) {
      const stream = connection
        .query({
          sql: `SELECT ${columns.map((one) => `\`${one}\``).join(", ")} FROM \`${name}\``,
          rowsAsArray: true,
          // As the bytes are, so that nothing is taken for anything.
          typeCast: (field) => field.buffer(),
        })
        .stream({ highWaterMark: 100 });
      for await (const row of stream as AsyncIterable<(Buffer | null)[]>)
        yield JSON.stringify(row.map((value) => (value === null ? null : asText(value))));
    },
    files: async () =>
      (await read(HELD)).map((row) => row.hash as string | null).filter((hash) => hash !== null),
    close: () => waiting.end(),
  };
}

const utf8 = new TextDecoder("utf-8", { fatal: true, ignoreBOM: true });
/** Text where the bytes are text; bytes otherwise. */
function asText(value: Buffer): string | { bytes: string } {
  try {
    return utf8.decode(value);
  } catch {
    return { bytes: value.toString("base64") };
  }
}
