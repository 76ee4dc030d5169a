import { promisify } from "node:util";
import { brotliCompress, constants, gzip } from "node:zlib";

/** The content codings we answer in (RFC 9110 §8.4.1, RFC 7932). */
export type Coding = "br" | "gzip";

const brotli = promisify(brotliCompress);
const deflate = promisify(gzip);

/** Text as it is sent packed; made once for many, so it may take some milliseconds, off the main thread. */
export const compressed = (bytes: Uint8Array, coding: Coding): Promise<Buffer> =>
  coding === "br"
    ? brotli(bytes, {
        params: {
          [constants.BROTLI_PARAM_MODE]: constants.BROTLI_MODE_TEXT,
          [constants.BROTLI_PARAM_QUALITY]: 7,
          [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length,
        },
      })
    : deflate(bytes, { level: 7 });
