import fc from "fast-check";
import { expect, test } from "vitest";
import { hashOfWords, wordsOfHash } from "./words-asked";

test("whatever words an address leads to are read from it again", () => {
  fc.assert(
    fc.property(fc.string({ unit: "grapheme", minLength: 1, maxLength: 200 }), (words) => {
      const { hash } = new URL(`https://hobbin.example/read/1${hashOfWords(words)}`);
      expect(wordsOfHash(hash)).toBe(words.trim() || null);
    }),
  );
});

test("what leads elsewhere, to nothing or was cut off leads to no words", () => {
  for (const hash of ["", "#", "#says=", "#says=%20", "#mark-1", "#says=%E6%B0"])
    expect(wordsOfHash(hash)).toBeNull();
  expect(wordsOfHash(hashOfWords("moss \ud83c"))).toBe("moss");
  expect(wordsOfHash(`#says=${"a".repeat(9_000)}`)).toHaveLength(1_000);
});
