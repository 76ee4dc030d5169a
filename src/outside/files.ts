import { createHash } from "node:crypto";
import { constants, createReadStream } from "node:fs";
import {
  access,
  copyFile,
  link,
  mkdir,
  open,
  readdir,
  readFile,
  rename,
  rm,
  stat,
  utimes,
  writeFile,
} from "node:fs/promises";
import path from "node:path";
import { pipeline } from "node:stream/promises";
import { sha256 } from "./hash";
import { newId } from "./random";
import { settings } from "./settings";

/** Where a file of this content lies. Two letters a folder, so that no folder grows too full. */
const place = (hash: string) => path.join(settings().files, hash.slice(0, 2), hash);
const isHash = (hash: string) => /^[0-9a-f]{64}$/.test(hash);

/**
 * Stores a file under the hash of its content; the same content twice is stored once. A half-written file is never
 * seen, because it gets its name only when it is whole.
 */
export async function storeFile(content: Uint8Array): Promise<string> {
  const hash = sha256(content);
  await storeAs(hash, (part) => writeFile(part, content));
  return hash;
}

/**
 * Takes a file on this disk into the store, where it is the same file under another name. What lay there stays until
 * whoever sent it has noted what it has become, so that one who is killed in between can begin again.
 * @param file the path of a file, on the same disk if possible
 */
export async function adoptFile(file: string): Promise<{ hash: string; bytes: number }> {
  const hasher = createHash("sha256");
  await pipeline(createReadStream(file), hasher);
  const hash = hasher.digest("hex");
  const { size } = await stat(file);
  // The store may lie on another disk, over which nothing can be renamed.
  await storeAs(hash, (part) => link(file, part).catch(() => copyFile(file, part)));
  return { hash, bytes: size };
}

async function storeAs(hash: string, write: (part: string) => Promise<unknown>): Promise<void> {
  const target = place(hash);
  const at = new Date();
  // What is wanted again is as young as what is new: it is not cleared before somebody holds it.
  if (
    await utimes(target, at, at).then(
      () => true,
      () => false,
    )
  )
    return;
  await mkdir(path.dirname(target), { recursive: true });
  const part = `${target}.${newId()}`;
  await write(part);
  await rename(part, target);
}

/**
 * The stored file as a stream with its length, or null when there is none.
 * @param range first and last byte, both included
 */
export async function openFile(
  hash: string,
  range?: { start: number; end: number },
): Promise<{ stream: NodeJS.ReadableStream; bytes: number } | null> {
  if (!isHash(hash)) return null;
  const found = await stat(place(hash)).catch(() => null);
  return found ? { stream: createReadStream(place(hash), range), bytes: found.size } : null;
}

/**
 * The whole stored file, or null.
 * @param hash SHA-256 of the content, in hexadecimal
 */
export async function readStored(hash: string): Promise<Buffer | null> {
  return isHash(hash) ? readFile(place(hash)).catch(() => null) : null;
}

/**
 * The first bytes of a stored file, enough to tell its type.
 * @param hash SHA-256 of the content, in hexadecimal
 * @param bytes how many are read
 */
export async function headOf(hash: string, bytes = 8192): Promise<Buffer> {
  const handle = await open(place(hash));
  try {
    const { buffer, bytesRead } = await handle.read(Buffer.alloc(bytes), 0, bytes, 0);
    return buffer.subarray(0, bytesRead);
  } finally {
    await handle.close();
  }
}

/** Whether the folder of the store is there, or can be made, and can be written to. */
export async function canKeepFiles(): Promise<boolean> {
  const folder = settings().files;
  return mkdir(folder, { recursive: true })
    .then(() => access(folder, constants.W_OK))
    .then(
      () => true,
      () => false,
    );
}

/** Where a stored file lies, for programs that take the name of a file. */
export const pathOfStored = (hash: string): string => place(hash);

/** What lies in the store under a name: a file, or the part of one whose writer ended before it was whole. */
export type Lying = { folder: string; name: string; hash: string; whole: boolean; bytes: number };

/**
 * What lies in the store and was last written, or wanted, before a time; folder by folder, a few hundredths of it at once.
 * @param before what is younger is left out
 */
export async function* lyingBefore(before: Date): AsyncGenerator<Lying[]> {
  const names = await readdir(settings().files).catch(() => []);
  for (const folder of names.filter((name) => /^[0-9a-f]{2}$/.test(name)).sort()) {
    const some: Lying[] = [];
    for (const name of await readdir(path.join(settings().files, folder)).catch(() => [])) {
      const found = await stat(path.join(settings().files, folder, name)).catch(() => null);
      const hash = name.slice(0, 64);
      if (found?.isFile() && found.mtime < before && isHash(hash))
        some.push({ folder, name, hash, whole: name === hash, bytes: found.size });
    }
    if (some.length) yield some;
  }
}

/** Takes something out of the store for good. */
export const clearLying = ({ folder, name }: Lying): Promise<void> =>
  rm(path.join(settings().files, folder, name), { force: true });
