import { Readable } from "node:stream";
import { finished } from "node:stream/promises";
import { ZipFile } from "yazl";

/** One file of a packed folder: where it lies in it, and what is in it, read when its turn has come. */
export type Packed = {
  path: string;
  /** Null: there is none any more, and it is left out. */
  content: () => Promise<Uint8Array | Readable | null>;
  /** Left as it is, because packing makes it no smaller. */
  stored?: boolean;
  /** Packed sooner, and a little less: what is large and told in the same words again and again. */
  quickly?: boolean;
};
type Files = AsyncIterable<Packed> | Iterable<Packed>;

/**
 * Packs files as ZIP while it is being read, so that only one of them is in memory at a time; more than 4 GB as ZIP64.
 * When nobody reads on, no more is packed.
 * @param at the time they all have
 */
export const zipped = (files: Files, at: Date): Readable => zippedWithin((pack) => pack(files), at);

/**
 * The same for files that can only be read within something, as a transaction.
 * @param within gets what packs files, and is over when these are packed
 */
export function zippedWithin(
  within: (pack: (files: Files) => Promise<void>) => Promise<void>,
  at: Date,
): Readable {
  const zip = new ZipFile();
  const out = zip.outputStream as Readable;
  const isLeft = new Promise<never>((_, reject) =>
    out.once("close", () => reject(new Error("nobody reads on"))),
  );
  isLeft.catch(() => undefined);
  const pack = async (files: Files) => {
    for await (const { path, content, stored, quickly } of files) {
      const found = await content();
      if (out.destroyed) throw new Error("nobody reads on");
      if (!found) continue;
      const stream = found instanceof Readable ? found : Readable.from([found]);
      zip.addReadStream(stream, path, {
        mtime: at,
        compress: !stored,
        ...(quickly && { compressionLevel: 1 }),
      });
      await Promise.race([finished(stream, { writable: false }), isLeft]).finally(() => stream.destroy());
    }
  };
  within(pack).then(
    () => zip.end(),
    (error: Error) => out.destroy(error),
  );
  return out;
}
