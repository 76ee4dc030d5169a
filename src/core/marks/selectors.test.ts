import fc from "fast-check";
import { expect, test } from "vitest";
import { quoteAt, snapped } from "./selectors";

/** Letters alone, line ends, accents, a syllable of two parts, a flag, a family, a hyphen that is not seen. */
const LETTERS = [
  "a",
  "B",
  " ",
  "é",
  "©",
  "\u00ad",
  "\r",
  "\n",
  "\u0301",
  "ᄀ",
  "ᅡ",
  "🇩",
  "🇪",
  "👩",
  "\u200d",
  "🌾",
];
const text = fc
  .array(fc.constantFrom(...LETTERS), { minLength: 1, maxLength: 18 })
  .map((all) => all.join(""));

/** Where what one sees as one character begins, and where the text ends, by ICU (UAX #29). */
function boundaries(all: string): Set<number> {
  const found = [...new Intl.Segmenter("en", { granularity: "grapheme" }).segment(all)].map(
    ({ index }) => index,
  );
  return new Set([...found, all.length]);
}

test("a mark and what stands around it begin and end where a character does, whatever was selected", () => {
  fc.assert(
    fc.property(text, fc.nat(40), fc.nat(40), (all, from, to) => {
      const places = boundaries(all);
      const mark = snapped(all, from, to);
      if (mark) expect([mark.start, mark.end].filter((at) => !places.has(at))).toEqual([]);
      const long = `${all}${"x".repeat(32)}${all}`;
      const { prefix, suffix } = quoteAt(long, all.length + 32, all.length + 32);
      expect(boundaries(long)).toContain(all.length + 32 - prefix.length);
      expect(boundaries(long)).toContain(all.length + 32 + suffix.length);
    }),
    { numRuns: 2_000 },
  );
});

test("a selection of blanks is none, and half a line's end belongs to the whole", () => {
  expect(snapped("a \r\n ", 1, 5)).toBeNull();
  expect(quoteAt(`\r\n${"x".repeat(31)}`, 33, 33).prefix).toBe(`\r\n${"x".repeat(31)}`);
});
