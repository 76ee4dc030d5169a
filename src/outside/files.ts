import { createReadStream } from "node:fs";
import { mkdir, rename, stat, writeFile } from "node:fs/promises";
import path from "node:path";
import { sha256 } from "./hash";
import { newId } from "./random";
import { settings } from "./settings";

/** Where a file of this content lies. Two letters a folder, so that no folder grows too full. */
const place = (hash: string) => path.join(settings().files, hash.slice(0, 2), hash);

/**
 * Keeps a file under the hash of its content; the same content twice is kept once. A half-written file is never
 * seen, because it gets its name only when it is whole.
 */
export async function keepFile(content: Uint8Array): Promise<string> {
  const hash = sha256(content);
  const target = place(hash);
  if (await stat(target).catch(() => null)) return hash;
  await mkdir(path.dirname(target), { recursive: true });
  const part = `${target}.${newId()}`;
  await writeFile(part, content);
  await rename(part, target);
  return hash;
}

/** The kept file as a stream with its length, or null when there is none. */
export async function openFile(
  hash: string,
): Promise<{ stream: NodeJS.ReadableStream; bytes: number } | null> {
  if (!/^[0-9a-f]{64}$/.test(hash)) return null;
  const found = await stat(place(hash)).catch(() => null);
  return found ? { stream: createReadStream(place(hash)), bytes: found.size } : null;
}
