import { expect, test } from "vitest";
import { type Counts, hardnessOf, levelsBy } from "./levels";
import { syllablesIn } from "./syllables";

const counts = (some: Partial<Counts>): Counts => ({
  ...{ words: 100, sentences: 5, letters: 500, long: 20, syllables: 150, ones: 60, threes: 10 },
  ...some,
});
const values = (some: Partial<Counts>, language: string) =>
  levelsBy(counts(some), language).map((one) => [one.name.split(" (")[0], one.value]);

// Worked examples that are told of these formulas everywhere, here from memory: the cat on the mat (6 words, 6 syllables) and
// the platypus (13 words, 24 syllables) for Flesch's and Kincaid's; the others are reckoned by hand from the formulas.
test("each language is measured by its own formula, and by LIX", () => {
  expect(values({ words: 6, sentences: 1, syllables: 6, long: 0 }, "en")).toEqual([
    ["Reading ease", 116.1],
    ["Grade", -1.4],
    ["LIX", 6],
  ]);
  expect(values({ words: 13, sentences: 1, syllables: 24, long: 5 }, "en").slice(0, 2)).toEqual([
    ["Reading ease", 37.5],
    ["Grade", 11.3],
  ]);
  // 206.84 − 60 × 1.9 − 1.02 × 20.
  expect(values({ syllables: 190 }, "es")[0]).toEqual(["Lecturabilidad", 72.4]);
  // 1.935 + 3.344 + 2.594 − 1.962 − 0.875.
  expect(values({}, "de")[0]).toEqual(["Erste Wiener Sachtextformel", 5]);
  // 89 + (1,500 − 5,000) / 100.
  expect(values({}, "it")[0]).toEqual(["Gulpease", 54]);
  expect(values({}, "sv")).toEqual([["LIX", 40]]);
});

test("syllables as they are said, in three languages", () => {
  const said = {
    en: "idea:3 table:2 wanted:2 named:1 pages:2 somebody:3 people:2 science:2 nation:2 layer:2 colleague:2 it's:1 42:1",
    de: "Theater:3 Bäume:2 Wasserstand:3 Museum:3 Schnee:1 See:1 Quelle:2 Moorwiese:3 Europäer:4 Station:3",
    es: "agua:2 día:2 guerra:2 país:2 cuidado:3 poeta:3 buey:1 aéreo:4 huerta:2 queso:2 turbera:3 Uruguay:3",
  };
  for (const [language, words] of Object.entries(said))
    for (const one of words.split(" ")) {
      const [word = "", count] = one.split(":");
      expect(`${word}:${syllablesIn(word, language as "en")}`).toBe(`${word}:${count}`);
    }
});

test("what makes it hard is found where it stands; of few words, and in scripts without such words, nothing is said", () => {
  const long = `The ${"old ".repeat(24)}dam holds.`;
  const text = `Water table\n${long} ${"It rains. ".repeat(40)}\nRehabilitation begins.`;
  const found = hardnessOf(text, "en-GB")!;
  expect(found.longSentences.map(({ start, end }) => text.slice(start, end))).toEqual([long]);
  expect(found.longWords.map(({ start, end }) => text.slice(start, end))).toEqual(["Rehabilitation"]);
  expect(found.counts).toMatchObject({ words: 109, sentences: 42, long: 1 });
  expect(hardnessOf("It rains. ".repeat(49), "en")).toBeNull();
  expect(hardnessOf("泥炭地の水位は夏に下がる。".repeat(60), "ja")).toBeNull();
  expect(hardnessOf(text, null)!.levels.map((one) => one.name)).toEqual(["LIX (Björnsson 1968)"]);
});

test("twice the text takes twice the work: a million letters without a mark end", () => {
  expect(hardnessOf("a".repeat(1_000_000), "en")).toBeNull();
  expect(hardnessOf("moss and peat ".repeat(70_000), "en")!.counts.sentences).toBe(1);
});
