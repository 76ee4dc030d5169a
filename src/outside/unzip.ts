import type { Readable } from "node:stream";
import { buffer } from "node:stream/consumers";
import { promisify } from "node:util";
import { type Entry, open, type ZipFile } from "yauzl";

/** A packed folder on this disk: its files by their paths, each read when it is asked for. */
export type Unpacked = {
  /** Path and length of each file, in the order in which they lie. */
  files: ReadonlyMap<string, number>;
  /** The file as a stream; of no more bytes than it says it has. @throws when there is none */
  stream: (path: string) => Promise<Readable>;
  /** All of a small file; null when there is none, or it is longer than `most`. */
  read: (path: string, most: number) => Promise<Buffer | null>;
  close: () => void;
};

const MOST_FILES = 2_000_000;

/**
 * Opens a ZIP without reading more of it than its list; several gigabytes take no more memory than their names.
 * @throws when it is none, or holds more than two million files, or has names that lead out of it
 */
export async function openZip(file: string): Promise<Unpacked> {
  const zip: ZipFile = await promisify<string, object, ZipFile>(open as never)(file, {
    lazyEntries: true,
    autoClose: false,
    validateEntrySizes: true,
    strictFileNames: true,
  });
  const entries = new Map<string, Entry>();
  try {
    if (zip.entryCount > MOST_FILES) throw new Error("there are too many files in it");
    await new Promise<void>((resolve, reject) => {
      zip.on("entry", (entry: Entry) => {
        if (!entry.fileName.endsWith("/")) entries.set(entry.fileName, entry);
        zip.readEntry();
      });
      zip.once("end", resolve).once("error", reject);
      zip.readEntry();
    });
  } catch (error) {
    zip.close();
    throw error;
  }
  const stream = async (path: string): Promise<Readable> => {
    const entry = entries.get(path);
    if (!entry) throw new Error(`there is no ${path}`);
    return new Promise((resolve, reject) =>
      zip.openReadStream(entry, (error, found) => (error ? reject(error) : resolve(found))),
    );
  };
  return {
    files: new Map([...entries].map(([path, entry]) => [path, entry.uncompressedSize])),
    stream,
    read: async (path, most) => {
      const entry = entries.get(path);
      return entry && entry.uncompressedSize <= most ? buffer(await stream(path)) : null;
    },
    close: () => zip.close(),
  };
}
