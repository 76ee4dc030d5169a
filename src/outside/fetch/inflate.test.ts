import { Readable } from "node:stream";
import { brotliCompressSync, deflateSync, gzipSync } from "node:zlib";
import { expect, test } from "vitest";
import { inflate, TooLarge, UnknownCoding } from "./inflate";

const page = Buffer.from("<p>sphagnum</p>".repeat(200));
const bodyOf = (bytes: Buffer, pieces = 7) => {
  const size = Math.ceil(bytes.length / pieces);
  return Readable.from(
    Array.from({ length: pieces }, (_, i) => bytes.subarray(i * size, (i + 1) * size)).filter(
      (piece) => piece.length,
    ),
  );
};

test.each([
  ["gzip", gzipSync(page)],
  ["x-gzip", gzipSync(page)],
  ["br", brotliCompressSync(page)],
  ["deflate", deflateSync(page)],
  [undefined, page],
  ["identity", page],
])("a body sent as %s is read whole, in whatever pieces it comes", async (encoding, bytes) => {
  for (const pieces of [1, 7, 100])
    expect(await inflate(bodyOf(bytes, pieces), encoding, page.length)).toEqual(page);
});

test("what grows beyond the limit is let go of long before it is whole", async () => {
  const bomb = gzipSync(Buffer.alloc(64 * 1024 * 1024));
  expect(bomb.length).toBeLessThan(100_000);
  const body = bodyOf(bomb, 100);
  await expect(inflate(body, "gzip", 1_000_000)).rejects.toBeInstanceOf(TooLarge);
  expect(body.destroyed).toBe(true);
  await expect(inflate(bodyOf(page), undefined, page.length - 1)).rejects.toBeInstanceOf(TooLarge);
});

test("of a body that is cut off, what has come is read; one that is no gzip at all is an error", async () => {
  const cut = gzipSync(page).subarray(0, -12);
  expect(page.subarray(0, 100).equals((await inflate(bodyOf(cut), "gzip", 10_000)).subarray(0, 100))).toBe(
    true,
  );
  await expect(inflate(bodyOf(page), "gzip", 10_000)).rejects.toThrow();
});

test("a connection that breaks ends the reading", async () => {
  const body = new Readable({ read() {} });
  const reading = inflate(body, "gzip", 10_000);
  body.push(gzipSync(page).subarray(0, 10));
  body.destroy(new Error("gone"));
  await expect(reading).rejects.toThrow("gone");
});

test("what was packed twice, or in a way nobody asked for, is not unpacked", async () => {
  for (const coding of ["gzip, gzip", "zstd", "GZIP, br"])
    await expect(inflate(bodyOf(gzipSync(page), 3), coding, page.length)).rejects.toThrow(UnknownCoding);
  expect(await inflate(bodyOf(gzipSync(page), 3), "GZip", page.length)).toEqual(page);
});
