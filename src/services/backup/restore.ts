import { createReadStream } from "node:fs";
import { createGunzip } from "node:zlib";
import { openLoading } from "@/data/backup/load-rows";
import { adoptFile } from "@/outside/files";
import { BackupRefused, type Manifest, readManifest, sha256Of, storedFile, tableFile } from "./manifest";

/**
 * Brings a backup into an empty place. All of it is looked through before anything is written, and the rows are one
 * transaction; the files, which are named by their content, come first.
 * @param url of a database that has this version's schema and nobody in it
 * @param folder of the backup
 * @throws {BackupRefused} when it is not whole, was changed, belongs to another version, or the place is not empty
 */
export async function restoreBackup(url: string, folder: string): Promise<Manifest> {
  const manifest = await readManifest(folder);
  await mustBeWhole(manifest, folder);
  const loading = await openLoading(url);
  try {
    if (!loading.isEmpty)
      throw new BackupRefused(
        "There are accounts in this database already. A backup is brought into an empty one.",
      );
    if (loading.migrations.join() !== manifest.migrations.join())
      throw new BackupRefused(
        "This backup belongs to another version of Hobbin. Bring it into that one, then update.",
      );
    for (const hash of manifest.files) await adoptFile(storedFile(folder, hash));
    for (const table of manifest.tables) {
      const loaded = await loading.load(table, linesOf(tableFile(folder, table.name)));
      if (loaded !== table.rows)
        throw new BackupRefused(
          `Of ${table.name} ${table.rows} rows were backed up, and ${loaded} are there.`,
        );
    }
    await loading.finish();
    return manifest;
  } finally {
    await loading.close();
  }
}

async function mustBeWhole({ tables, files }: Manifest, folder: string): Promise<void> {
  for (const { name, sha256 } of tables)
    if ((await sha256Of(tableFile(folder, name))) !== sha256)
      throw new BackupRefused(`The table ${name} of this backup is missing, cut off or changed.`);
  for (const hash of files)
    if ((await sha256Of(storedFile(folder, hash))) !== hash)
      throw new BackupRefused(
        `The file ${hash.slice(0, 12)}… of this backup is missing, cut off or changed.`,
      );
}

/** The lines of a packed file; read only as far as they are asked for. */
async function* linesOf(file: string): AsyncGenerator<string> {
  let rest = "";
  for await (const part of createReadStream(file).pipe(createGunzip()).setEncoding("utf8")) {
    const lines = (rest + String(part)).split("\n");
    rest = lines.pop()!;
    yield* lines;
  }
  if (rest) yield rest;
}
