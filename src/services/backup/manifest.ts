import { createHash } from "node:crypto";
import { createReadStream } from "node:fs";
import { readFile } from "node:fs/promises";
import path from "node:path";
import { pipeline } from "node:stream/promises";
import type { Table } from "@/data/backup/snapshot-of";

/** What a backup holds, written last: without it, it is not whole. */
export type Manifest = {
  format: "hobbin-backup";
  version: 1;
  at: string;
  migrations: string[];
  tables: (Table & { rows: number; sha256: string })[];
  files: string[];
  /** Files that were named and are not in the store. */
  missing: string[];
};

export const MANIFEST = "manifest.json";
/** Where things lie in the folder of a backup. */
export const tableFile = (folder: string, name: string) => path.join(folder, "tables", `${name}.ndjson.gz`);
export const storedFile = (folder: string, hash: string) =>
  path.join(folder, "files", hash.slice(0, 2), hash);

/** Why a backup cannot be used, in words for whoever runs Hobbin. */
export class BackupRefused extends Error {}

/** @throws {BackupRefused} when there is none, it is not whole, or it is something else */
export async function readManifest(folder: string): Promise<Manifest> {
  const text = await readFile(path.join(folder, MANIFEST), "utf8").catch(() => {
    throw new BackupRefused(
      `There is no whole backup in ${folder}: it has no ${MANIFEST}, which is written last.`,
    );
  });
  try {
    const manifest = JSON.parse(text) as Manifest;
    if (manifest.format === "hobbin-backup" && manifest.version === 1) return manifest;
  } catch {
    // Said below.
  }
  throw new BackupRefused(`${MANIFEST} in ${folder} is not that of a backup of Hobbin.`);
}

/** SHA-256 of a file; null when it is not there. */
export async function sha256Of(file: string): Promise<string | null> {
  const hash = createHash("sha256");
  try {
    await pipeline(createReadStream(file), hash);
    return hash.digest("hex");
  } catch {
    return null;
  }
}
