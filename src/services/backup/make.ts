import { createWriteStream } from "node:fs";
import { copyFile, mkdir, readdir, writeFile } from "node:fs/promises";
import path from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { createGzip } from "node:zlib";
import { openSnapshot, type Snapshot, type Table } from "@/data/backup/snapshot-of";
import { now } from "@/outside/clock";
import { withStored } from "@/outside/files";
import { BackupRefused, type Manifest, MANIFEST, sha256Of, storedFile, tableFile } from "./manifest";

/**
 * Writes a backup of database and stored files, in one state, while people go on working. Files are named by their
 * content, so what the database names at that moment is that moment's; nothing of it is cleared within a day.
 * @param url of the database
 * @param folder a new or empty one
 * @throws {BackupRefused} when there is something in the folder
 */
export async function makeBackup(url: string, folder: string): Promise<Manifest> {
  if ((await readdir(folder).catch(() => [])).length)
    throw new BackupRefused(`${folder} is not empty. Name a new folder for the backup.`);
  await mkdir(path.join(folder, "tables"), { recursive: true });
  const snapshot = await openSnapshot(url);
  try {
    const tables: Manifest["tables"] = [];
    for (const table of snapshot.tables) tables.push(await writeTable(folder, snapshot, table));
    const files: string[] = [];
    const missing: string[] = [];
    for (const hash of (await snapshot.files()).sort())
      ((await copyStored(folder, hash)) ? files : missing).push(hash);
    const manifest: Manifest = {
      format: "hobbin-backup",
      version: 1,
      at: now().toISOString(),
      migrations: snapshot.migrations,
      tables,
      files,
      missing,
    };
    await writeFile(path.join(folder, MANIFEST), JSON.stringify(manifest, null, 1));
    return manifest;
  } finally {
    await snapshot.close();
  }
}

async function writeTable(
  folder: string,
  snapshot: Snapshot,
  table: Table,
): Promise<Manifest["tables"][number]> {
  const file = tableFile(folder, table.name);
  let rows = 0;
  const lines = async function* () {
    for await (const line of snapshot.lines(table)) {
      rows++;
      yield `${line}\n`;
    }
  };
  await pipeline(Readable.from(lines()), createGzip(), createWriteStream(file));
  return { ...table, rows, sha256: (await sha256Of(file))! };
}

async function copyStored(folder: string, hash: string): Promise<boolean> {
  const to = storedFile(folder, hash);
  await mkdir(path.dirname(to), { recursive: true });
  return (await withStored(hash, (from) => copyFile(from, to).then(() => true))) ?? false;
}
