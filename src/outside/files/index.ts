import { createHash } from "node:crypto";
import { createReadStream } from "node:fs";
import { stat } from "node:fs/promises";
import type { Readable } from "node:stream";
import { buffer } from "node:stream/consumers";
import { pipeline } from "node:stream/promises";
import { sha256 } from "../hash";
import { settings } from "../settings";
import { DISK } from "./disk";
import { S3 } from "./s3";
import { type FileStore, isHash, type Lying, type Range } from "./store";

export type { Lying };

const store = (): FileStore => (settings().s3 ? S3 : DISK);

/**
 * Stores a file under the hash of its content; the same content twice is stored once.
 * @returns the hash
 */
export async function storeFile(content: Uint8Array): Promise<string> {
  const hash = sha256(content);
  await store().put(hash, { bytes: content });
  return hash;
}

/**
 * Takes a file on this disk into the store. What lay there stays until whoever sent it has noted what it has become, so
 * that one who is killed in between can begin again.
 * @param file the path of a file, on the same disk as the store if possible
 */
export async function adoptFile(file: string): Promise<{ hash: string; bytes: number }> {
  const hasher = createHash("sha256");
  await pipeline(createReadStream(file), hasher);
  const hash = hasher.digest("hex");
  const { size } = await stat(file);
  await store().put(hash, { file, length: size });
  return { hash, bytes: size };
}

/**
 * The stored file as a stream with its length, or null when there is none.
 * @param range first and last byte, both included
 */
export const openFile = async (
  hash: string,
  range?: Range,
): Promise<{ stream: Readable; bytes: number } | null> => (isHash(hash) ? store().open(hash, range) : null);

/**
 * The whole stored file, or null.
 * @param hash SHA-256 of the content, in hexadecimal
 */
export const readStored = async (hash: string): Promise<Buffer | null> =>
  isHash(hash) ? store().read(hash) : null;

/**
 * The first bytes of a stored file, enough to tell its type.
 * @param hash SHA-256 of the content, in hexadecimal
 * @param bytes how many are read
 */
export async function headOf(hash: string, bytes = 8192): Promise<Buffer> {
  const opened = await openFile(hash, { start: 0, end: bytes - 1 });
  return opened ? buffer(opened.stream) : Buffer.alloc(0);
}

/**
 * Does something with a stored file, for programs that take the name of one; null when there is none.
 * @param work gets the name; the file may be gone once it is done
 */
export const withStored = async <T>(hash: string, work: (file: string) => Promise<T>): Promise<T | null> =>
  isHash(hash) ? store().onDisk(hash, work) : null;

/** Whether files can be kept. */
export const canKeepFiles = (): Promise<boolean> => store().isReady();

/**
 * What lies in the store and was last written, or wanted, before a time; some at once.
 * @param before what is younger is left out
 */
export const lyingBefore = (before: Date): AsyncGenerator<Lying[]> => store().lyingBefore(before);

/** Takes something out of the store for good. */
export const clearLying = (lying: Lying): Promise<void> => store().clear(lying);
