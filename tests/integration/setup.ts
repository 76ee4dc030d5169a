import mysql, { type Connection } from "mysql2/promise";
import type { TestProject } from "vitest/node";
import { migrate } from "@/data/migrate";
import { settings } from "@/outside/settings";
import { databaseOfWorker } from "./own-database";

type Copy = (connection: Connection, from: string, to: string, filled: string[]) => Promise<void>;
/** The tools are no TypeScript. */
const { copyDatabase } = (await import(
  new URL("../../tools/lib/copy-database.mjs", import.meta.url).href
)) as {
  copyDatabase: Copy;
};

const nameOf = (url: string) => url.split("/").at(-1)!;

/** Migrates one database, and gives each worker a copy of it. */
export default async function setup({ config }: TestProject): Promise<void> {
  const url = settings().databaseUrl;
  await migrate(url, "src/data/migrations");
  const connection = await mysql.createConnection({ uri: url, multipleStatements: true });
  try {
    for (let worker = 1; worker <= config.maxWorkers; worker++)
      await copyDatabase(connection, nameOf(url), nameOf(databaseOfWorker(url, worker)), [
        "schema_migration",
      ]);
  } finally {
    await connection.end();
  }
}
