import { PUBLIC } from "@/core/shelves/public";
import mysql, { type Connection, type RowDataPacket } from "mysql2/promise";
import type { Table } from "./snapshot-of";

const AT_ONCE = 200;

/** A database rows are loaded into. */
export type Loading = {
  migrations: string[];
  /** Whether nobody has an account in it. */
  isEmpty: boolean;
  /** @param lines as a snapshot gives them */
  load: (table: Table, lines: AsyncIterable<string>) => Promise<number>;
  /** Everything is loaded: it holds from now on, and what is made from it is to be made. */
  finish: () => Promise<void>;
  close: () => Promise<void>;
};

/**
 * Opens a database for a backup to be loaded, in one transaction: whatever fails, nothing of it stays.
 * @param url of a database that has the schema and is empty otherwise
 */
export async function openLoading(url: string): Promise<Loading> {
  const connection = await mysql.createConnection({ uri: url, timezone: "Z" });
  const read = async (sql: string) => (await connection.query<RowDataPacket[]>(sql))[0];
  await connection.query("SET SESSION time_zone = '+00:00', foreign_key_checks = 0, max_statement_time = 0");
  const migrations = (await read("SELECT hash FROM schema_migration ORDER BY hash")).map((row) =>
    String(row.hash),
  );
  const [people] = await read("SELECT count(*) AS n FROM person");
  await connection.beginTransaction();
  return {
    migrations,
    isEmpty: Number(people!.n) === 0,
    load: async ({ name, columns }, lines) => {
      // What a new installation has put there by itself.
      await connection.query(`DELETE FROM \`${name}\``);
      const into = `INSERT INTO \`${name}\` (${columns.map((one) => `\`${one}\``).join(", ")}) VALUES ?`;
      let loaded = 0;
      let rows: unknown[][] = [];
      for await (const line of lines) {
        rows.push((JSON.parse(line) as unknown[]).map(asValue));
        if (rows.length === AT_ONCE) loaded += await insert(connection, into, rows.splice(0));
      }
      if (rows.length) loaded += await insert(connection, into, (rows = rows.slice()));
      return loaded;
    },
    finish: async () => {
      await connection.query("DELETE FROM reindex_queue");
      await connection.query(
        "INSERT INTO reindex_queue (id, resource, team) SELECT UUID(), id, team FROM resource WHERE deleted_at IS NULL",
      );
      await connection.query(
        "INSERT INTO reindex_queue (id, resource, team) SELECT UUID(), collection, ? FROM listing",
        [PUBLIC],
      );
      await connection.commit();
    },
    close: () => connection.end(),
  };
}

async function insert(connection: Connection, into: string, rows: unknown[][]): Promise<number> {
  await connection.query(into, [rows]);
  return rows.length;
}

const asValue = (value: unknown): unknown =>
  typeof value === "object" && value !== null
    ? Buffer.from((value as { bytes: string }).bytes, "base64")
    : value;
