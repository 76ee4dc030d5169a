import { createHash } from "node:crypto";
import { constants, createReadStream } from "node:fs";
import { access, copyFile, mkdir, open, readFile, rename, rm, stat, writeFile } from "node:fs/promises";
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
 * Takes a file on this disk into the store; what lay there is gone afterwards.
 * @param file the path of a file on the same disk, which is moved
 */
export async function adoptFile(file: string): Promise<{ hash: string; bytes: number }> {
  const hasher = createHash("sha256");
  await pipeline(createReadStream(file), hasher);
  const hash = hasher.digest("hex");
  const { size } = await stat(file);
  // The store may lie on another disk, over which nothing can be renamed.
  await storeAs(hash, (part) => rename(file, part).catch(() => copyFile(file, part)));
  await rm(file, { force: true });
  return { hash, bytes: size };
}

async function storeAs(hash: string, write: (part: string) => Promise<unknown>): Promise<void> {
  const target = place(hash);
  if (await stat(target).catch(() => null)) return;
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
