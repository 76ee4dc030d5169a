import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import mysql, { type Connection, type RowDataPacket } from "mysql2/promise";
import { afterAll, beforeAll, expect, onTestFinished, test } from "vitest";
import { migrate } from "@/data/migrate";
import { readStored, storeFile } from "@/outside/files";
import { newId } from "@/outside/random";
import { forgetSettings, settings } from "@/outside/settings";
import { makeBackup } from "@/services/backup/make";
import { restoreBackup } from "@/services/backup/restore";
import { as, makeWorld, type World } from "./world";

let world: World;
let at: Connection;
beforeAll(async () => {
  world = await makeWorld();
  at = await mysql.createConnection(settings().databaseUrl);
});
afterAll(() => at.end());

const folder = () => {
  const made = mkdtempSync(path.join(os.tmpdir(), "hobbin-backup-"));
  onTestFinished(() => rmSync(made, { recursive: true, force: true }));
  return made;
};

/** An empty place: a database with the schema, and a folder for files. */
async function elsewhere() {
  const url = settings().databaseUrl.replace(/\w+$/, (name) => `${name}_restored`);
  const name = url.split("/").at(-1)!;
  await at.query(`DROP DATABASE IF EXISTS ${name}`);
  await at.query(`CREATE DATABASE ${name}`);
  onTestFinished(async () => void (await at.query(`DROP DATABASE IF EXISTS ${name}`)));
  await migrate(url, "src/data/migrations");
  return { url, name };
}

/** All rows of the tables a backup holds, as the database checks them. */
async function checksums(name: string, tables: readonly string[]) {
  const [rows] = await at.query<RowDataPacket[]>(
    `CHECKSUM TABLE ${tables.map((table) => `${name}.\`${table}\``).join(", ")}`,
  );
  return rows.map((row) => [String(row.Table).replace(/^\w+\./, ""), row.Checksum as number]);
}
const here = () => settings().databaseUrl.split("/").at(-1)!;

test("what is backed up while people work is one state, and is the same in an empty place", async () => {
  const { owner, team, collection } = world;
  const hash = await storeFile(Buffer.from(`A page as it was seen ${newId()} Łódź 🌿`));
  await at.query("UPDATE resource SET seen_hash = ?, notes = ? WHERE id = ?", [
    hash,
    "quoted ' \\ \n and 🌿",
    world.resource,
  ]);
  // People go on, and each thing they make has its item: half of it is in no backup.
  let going = true;
  const work = (async () => {
    for (let i = 0; going; i++)
      await as(owner, "capture.note", { team, collection, text: `Written meanwhile ${i}` });
  })();
  const kept = folder();
  const manifest = await makeBackup(settings().databaseUrl, kept);
  going = false;
  await work;
  expect(manifest.files).toContain(hash);

  const { url, name } = await elsewhere();
  const files = folder();
  const before = process.env.HOBBIN_FILES;
  Object.assign(process.env, { HOBBIN_FILES: files });
  forgetSettings();
  onTestFinished(() => {
    process.env.HOBBIN_FILES = before;
    forgetSettings();
  });
  await restoreBackup(url, kept);
  expect((await readStored(hash))!.toString()).toContain("Łódź 🌿");
  const again = folder();
  const second = await makeBackup(url, again);
  expect(second.tables.map(({ name, rows }) => [name, rows])).toEqual(
    manifest.tables.map(({ name, rows }) => [name, rows]),
  );
  const [halves] = await at.query<RowDataPacket[]>(
    `SELECT count(*) AS n FROM ${name}.placement p LEFT JOIN ${name}.resource r ON r.id = p.resource WHERE r.id IS NULL`,
  );
  expect(Number(halves[0]!.n)).toBe(0);
  const [due] = await at.query<RowDataPacket[]>(`SELECT count(*) AS n FROM ${name}.reindex_queue`);
  expect(Number(due[0]!.n)).toBeGreaterThan(0);
});

test("at rest every table is the same, byte for byte", async () => {
  const kept = folder();
  const { tables } = await makeBackup(settings().databaseUrl, kept);
  const { url, name } = await elsewhere();
  await restoreBackup(url, kept);
  const names = tables.map((table) => table.name);
  expect(await checksums(name, names)).toEqual(await checksums(here(), names));
});

test("a backup that is cut off, changed, of another version, or not wanted here is refused in words, and nothing is written", async () => {
  const kept = folder();
  await makeBackup(settings().databaseUrl, kept);
  await expect(makeBackup(settings().databaseUrl, kept)).rejects.toThrow("is not empty");
  const { url } = await elsewhere();
  await expect(restoreBackup(settings().databaseUrl, kept)).rejects.toThrow("There are accounts");
  await expect(restoreBackup(url, folder())).rejects.toThrow("no whole backup");
  const manifest = path.join(kept, "manifest.json");
  const text = readFileSync(manifest, "utf8");
  writeFileSync(
    manifest,
    text.replace(/"migrations": \[\s*"[0-9a-f]/, (found) => `${found.slice(0, -1)}x`),
  );
  await expect(restoreBackup(url, kept)).rejects.toThrow("another version");
  writeFileSync(manifest, text);
  const table = path.join(
    kept,
    "tables",
    readdirSync(path.join(kept, "tables")).find((name) => name.startsWith("person"))!,
  );
  writeFileSync(table, readFileSync(table).subarray(0, -9));
  await expect(restoreBackup(url, kept)).rejects.toThrow(
    "The table person of this backup is missing, cut off or changed.",
  );
  const empty = await mysql.createConnection(url);
  const [[people]] = await empty.query<RowDataPacket[]>("SELECT count(*) AS n FROM person");
  await empty.end();
  expect(Number(people!.n)).toBe(0);
});
