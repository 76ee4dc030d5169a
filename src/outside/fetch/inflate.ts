import type { Readable } from "node:stream";
import { createBrotliDecompress, createGunzip, createInflate, constants } from "node:zlib";

/** Thrown when a body is larger than allowed. */
export class TooLarge extends Error {}
/** Thrown for a body that was packed twice, or in a way nobody asked for. */
export class UnknownCoding extends Error {}

/**
 * Reads a body, decompressing it, and stops as soon as the decompressed bytes pass `most`.
 * @param body what comes over the wire
 * @param encoding the answer's content coding
 * @param most how many bytes may come out
 */
export async function inflate(body: Readable, encoding: string | undefined, most: number): Promise<Buffer> {
  const finish = { finishFlush: constants.Z_SYNC_FLUSH };
  const coding = encoding?.trim().toLowerCase();
  const decoder =
    coding === "gzip" || coding === "x-gzip"
      ? createGunzip(finish)
      : coding === "br"
        ? createBrotliDecompress()
        : coding === "deflate"
          ? createInflate(finish)
          : null;
  // What is packed in what is packed grows by the square.
  if (!decoder && coding && coding !== "identity") {
    body.on("error", () => undefined).destroy();
    throw new UnknownCoding(coding);
  }
  if (decoder) body.on("error", (error) => decoder.destroy(error));
  const stream = decoder ? body.pipe(decoder) : body;
  const chunks: Buffer[] = [];
  let length = 0;
  try {
    for await (const chunk of stream) {
      length += (chunk as Buffer).length;
      if (length > most) throw new TooLarge(`more than ${most} bytes`);
      chunks.push(chunk as Buffer);
    }
  } finally {
    body.on("error", () => undefined).destroy();
    decoder?.destroy();
  }
  return Buffer.concat(chunks);
}
