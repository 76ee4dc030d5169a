import { readFileSync } from "node:fs";
import fc from "fast-check";
import { expect, test } from "vitest";
import { filmLength } from "./film-length";

const lengthOf = (bytes: Uint8Array) =>
  filmLength((at, length) => Promise.resolve(bytes.subarray(at, at + length)), bytes.length);

/** A film of three seconds without sound, made by ffmpeg 5.1 (Debian's) from its own test picture. */
test("a film without sound has a length", async () => {
  expect(await lengthOf(readFileSync("tests/reference/files/documents/silent.mp4"))).toBe(3);
});

test("what is no film, or breaks off, has none; whatever stands in it, it is gone through to an end", async () => {
  const film = readFileSync("tests/reference/files/documents/silent.mp4");
  expect(await lengthOf(film.subarray(0, 900))).toBeNull();
  expect(await lengthOf(new TextEncoder().encode("no film at all, but a text"))).toBeNull();
  await fc.assert(
    fc.asyncProperty(fc.uint8Array({ maxLength: 64 }), fc.nat(40), async (noise, at) => {
      const bytes = Uint8Array.from(film.subarray(0, 1_200));
      bytes.set(noise, at);
      const length = await lengthOf(bytes);
      expect(length === null || length > 0).toBe(true);
    }),
  );
});
