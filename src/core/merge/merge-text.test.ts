import fc from "fast-check";
import { expect, test } from "vitest";
import { mergeEntries, mergeMarked, mergeWhole, mergeWords } from "./merge-text";

const BASE = "Watch this before the practical on Monday.";

test("what two write into different places of one text stands there afterwards", () => {
  const theirs = "Watch this film before the practical on Monday.";
  const mine = "Watch this before the practical on Tuesday. Bring boots.";
  expect(mergeWords(BASE, theirs, mine)).toBe(
    "Watch this film before the practical on Tuesday. Bring boots.",
  );
  expect(mergeWords(BASE, "Then, watch this before the practical on Monday.", `${BASE} Bring boots.`)).toBe(
    "Then, watch this before the practical on Monday. Bring boots.",
  );
});

test("what two write into the same place is for them to decide", () => {
  expect(mergeWords(BASE, BASE.replace("Monday", "Friday"), BASE.replace("Monday", "Tuesday"))).toBeNull();
  expect(mergeWords("", "Read it twice.", "Read it aloud.")).toBeNull();
  expect(mergeWords(BASE, "", BASE.replace("Watch", "See"))).toBeNull();
  expect(mergeWhole("2024", "2025", "2026")).toBeNull();
});

test("what was sent before, or is the same, is no change", () => {
  expect(mergeWords(BASE, "Other.", "Other.")).toBe("Other.");
  const theirs = BASE.replace("Watch", "See");
  const both = mergeWords(BASE, theirs, BASE.replace("Monday", "Tuesday"))!;
  expect(mergeWords(BASE, both, BASE.replace("Monday", "Tuesday"))).toBe(both);
});

test("names are merged as names", () => {
  expect(mergeEntries("Ama Sedge; Bo Fen", "Ama Sedge; Bo van Fen", "Ama Sedge; Bo Fen; Cy Moor")).toBeNull();
  expect(
    mergeEntries(
      "Ama Sedge; Bo Fen; Di Carr",
      "Ama A. Sedge; Bo Fen; Di Carr",
      "Ama Sedge; Bo Fen; Di K. Carr",
    ),
  ).toBe("Ama A. Sedge; Bo Fen; Di K. Carr");
});

test("marks stay whole", () => {
  const base = "<p>Peat is old.</p><p>Read on.</p>";
  expect(
    mergeMarked(base, "<p>Peat is <strong>old</strong>.</p><p>Read on.</p>", `${base}<p>Then rest.</p>`),
  ).toBe("<p>Peat is <strong>old</strong>.</p><p>Read on.</p><p>Then rest.</p>");
  const broken = mergeMarked(
    "<p>one two three four</p>",
    "<p>one <em>two three</em> four</p>",
    "<p>one two</p><p>three four</p>",
  );
  expect(broken).toBeNull();
});

const text = fc
  .array(fc.constantFrom("peat", "moss", "fen", "bog", "a", "the"), { maxLength: 12 })
  .map((all) => all.join(" "));

test("merging is the same for both, changes nothing by itself, and leaves out no word anybody added", () => {
  fc.assert(
    fc.property(text, text, text, (base, theirs, mine) => {
      expect(mergeWords(base, base, mine)).toBe(mine);
      expect(mergeWords(base, theirs, base)).toBe(theirs);
      const merged = mergeWords(base, theirs, mine);
      expect(mergeWords(base, mine, theirs)).toBe(merged);
      if (merged === null) return;
      const count = (of: string, word: string) => of.split(" ").filter((one) => one === word).length;
      for (const word of ["peat", "moss", "fen", "bog", "a", "the"]) {
        const added = Math.max(count(theirs, word), count(mine, word)) - count(base, word);
        const gone = Math.min(count(theirs, word), count(mine, word)) - count(base, word);
        expect(count(merged, word)).toBeGreaterThanOrEqual(
          count(base, word) + Math.max(0, added) + Math.min(0, gone),
        );
      }
    }),
    { numRuns: 500 },
  );
});

test("the longest notes cost no more than a moment, whatever they are made of", () => {
  const long = (word: string) => `${word} `.repeat(8000).trim();
  expect(mergeWords(long("a"), `x ${long("a")} y`, `z ${long("a")}`)).toBeNull();
});
