import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { didYouMean, distance } from "./did-you-mean";
import { holdsPhrase, Seeker } from "./passage";
import { chipsOf, readQuery, readSpan, toggleFilter } from "./query";
import { stem } from "./stem";
import { fold, tokensOf } from "./tokens";
import { idf, saturate, type Searchable, weigh, wholeTerm } from "./weigh";

const words = (text: string, language: string | null = "en") =>
  tokensOf(text, language).map((token) => (token.part ? `(${token.word})` : token.word));
const terms = (text: string, language: string | null = "en") =>
  tokensOf(text, language).map((token) => token.term);

describe("words", () => {
  test.each([
    ["C++ and C# beside node.js", ["c++", "and", "c#", "beside", "node.js", "(node)", "(js)"]],
    ["covid-19 didn’t", ["covid-19", "(covid)", "(19)", "didn't", "(didn)", "(t)"]],
    ["e-mail, 3.5 %", ["e-mail", "(e)", "(mail)", "3.5", "(3)", "(5)"]],
    ["#moss", ["moss"]],
    ["泥炭地の水位 level", ["泥炭", "炭地", "地の", "の水", "水位", "level"]],
    ["水 H2O水", ["水", "h2o", "水"]],
    ["이탄 습지", ["이탄", "습지"]],
    ["  …  ", []],
  ])("%s", (text, expected) => expect(words(text)).toEqual(expected));

  test("case, accents, ligatures and wide letters make no difference; other letters do", () => {
    expect(fold("ÉCOLE")).toBe(fold("école"));
    expect(fold("Straße")).toBe("strasse");
    expect(fold("Ｍｏｓｓ")).toBe("moss");
    expect(fold("Øre")).toBe("ore");
    expect(fold("й")).not.toBe(fold("к"));
    // Vowel signs of Indic scripts are letters of the word and stay.
    expect(fold("हिन्दी")).not.toBe(fold("हन्द"));
  });

  test("stemmed by the language of the text", () => {
    expect(terms("the mosses are growing")).toEqual(["the", "moss", "are", "grow"]);
    expect(terms("les tourbières", "fr")).toEqual(terms("la tourbière", "fr").with(0, "le"));
    expect(terms("Moore", "de")).toEqual(["moor"]);
    expect(terms("moors", "xx")).toEqual(["moors"]);
  });

  test("every token is the piece of text it says", () => {
    fc.assert(
      fc.property(fc.string({ unit: "grapheme", maxLength: 60 }), (text) => {
        for (const { start, end, word } of tokensOf(text, "en")) {
          expect(text.slice(start, end).length).toBe(end - start);
          expect(fold(text.slice(start, end)).startsWith(word)).toBe(true);
        }
      }),
    );
  });
});

const moss: Searchable = {
  title: "Moss and water",
  tags: ["water table"],
  contexts: ["Read the second half only"],
  marks: [],
  notes: "",
  description: "",
  source: ["bog.example"],
  text: "",
  language: "en",
};

describe("weights", () => {
  test("what it is known by besides its words is a term of its own, whatever its words are", () => {
    const key = wholeTerm("pYh+3x");
    const terms = weigh({ ...moss, text: `${key} pYh+3x`, keys: [key] }).filter((one) => one.term === key);
    expect(terms).toEqual([{ term: key, weight: 1, word: key }]);
    expect(weigh({ ...moss, text: key }).map((one) => one.term)).not.toContain(key);
  });

  test("by hand: one word once in a title of the usual length, and four times in a text twice as long as usual", () => {
    const eight = { ...moss, title: "moss b c d e f g h", tags: [], contexts: [], marks: [], source: [] };
    // 5 · 1 / (1 − 0.4 + 0.4 · 8/8) = 5; 5 · 2.2 / (5 + 1.2) = 1.774…
    expect(weigh(eight).find((one) => one.term === "moss")!.weight).toBe(1774);
    const text = `${"moss ".repeat(4)}${Array.from({ length: 1196 }, (_, i) => `w${i}`).join(" ")}`;
    // 4 / (0.25 + 0.75 · 1200/600) = 2.2857…; that · 2.2 / (that + 1.2) = 1.4426…
    expect(
      weigh({ ...moss, title: "", tags: [], contexts: [], marks: [], source: [], text })[0],
    ).toMatchObject({
      term: "moss",
      weight: 1443,
    });
    expect(saturate(1)).toBeCloseTo(1);
    expect(idf(100, 0)).toBeGreaterThan(idf(100, 1));
    expect(idf(10, 20)).toBeGreaterThan(0);
  });

  test("of the words of a long text that stand there once the longer ones are kept, and numbers last", () => {
    const short = Array.from(
      { length: 26 * 26 },
      (_, i) => `${String.fromCharCode(97 + (i % 26), 97 + Math.floor(i / 26))}q`,
    );
    const text = [
      "In 1911 they opened the sluice at Vellamo.",
      ...short.slice(0, 110),
      ...Array(200).keys(),
    ].join(" ");
    const kept = new Set(weigh({ ...moss, text }).map((one) => one.term));
    expect(["vellamo", "sluic", "open"].every((term) => kept.has(term))).toBe(true);
    expect([...kept].filter((term) => /^\d+$/.test(term)).length).toBeLessThan(10);
    expect(short.slice(0, 110).every((term) => kept.has(term))).toBe(true);
  });

  test("a title counts more than a text; of a long text only the heaviest terms are kept, of the rest all", () => {
    const text = Array.from({ length: 2_000 }, (_, i) => `word${i}x`).join(" ");
    const all = weigh({ ...moss, text });
    const weight = (term: string) => all.find((one) => one.term === term)?.weight ?? 0;
    expect(weight("moss")).toBeGreaterThan(weight("second"));
    expect(weight("second")).toBeGreaterThan(weight("word1x"));
    expect(all.filter((one) => one.term.startsWith("word"))).toHaveLength(120);
    expect(all.every((one) => one.weight > 0 && one.weight <= 2_200)).toBe(true);
    expect(new Set(all.map((one) => one.term)).size).toBe(all.length);
  });
});

describe("what is typed into the box", () => {
  test("words, phrases, minus and filters", () => {
    const query = readQuery(
      'tag:"water table" -fire "peat core" kind:video site:www.Bog.example added:2026-03 length:<15 is:dead appraised:no mosses',
    );
    expect(query.filters).toMatchObject({
      tag: ["water table"],
      kind: ["video"],
      site: ["bog.example"],
      is: ["dead"],
      appraised: ["no"],
      added: { from: "2026-03-01", to: "2026-04-01" },
      length: { from: null, to: 14 },
    });
    expect(query.phrases).toEqual(["peat core"]);
    expect(query.without).toEqual([["fire"]]);
    expect(query.groups.map((group) => group.typed)).toEqual(["peat", "core", "mosses"]);
    expect(query.groups.at(-1)).toMatchObject({ terms: ["mosses", "moss"], prefix: "mosses" });
    expect(query.groups[0]!.prefix).toBeNull();
  });

  test("a word is looked for by its stem in every language of the team", () => {
    const [group] = readQuery("Moore", [null, "de"]).groups;
    expect(group!.terms).toEqual(["moore", "moor"]);
  });

  test("what is no filter is words; nothing typed is an error", () => {
    expect(readQuery("kind:sandwich").groups.map((group) => group.typed)).toEqual(["sandwich"]);
    expect(readQuery("added:tomorrow added:2026-13").filters.added).toBeNull();
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => {
        const query = readQuery(text);
        expect(query.groups.every((group) => group.terms.length > 0)).toBe(true);
      }),
    );
  });

  test("times: a year, a month, a day, before, after, between", () => {
    expect(readSpan("2026")).toEqual({ from: "2026-01-01", to: "2027-01-01" });
    expect(readSpan("2024-02-29")).toEqual({ from: "2024-02-29", to: "2024-03-01" });
    expect(readSpan("2026-02-29")).toBeNull();
    expect(readSpan("<2026-03")).toEqual({ from: null, to: "2026-03-01" });
    expect(readSpan(">2026-03")).toEqual({ from: "2026-04-01", to: null });
    expect(readSpan("2025-12..2026-01")).toEqual({ from: "2025-12-01", to: "2026-02-01" });
    expect(readSpan("2026..2025")).toBeNull();
  });

  test("a chip put in and taken out again leaves the words as they were", () => {
    const narrowed = toggleFilter("wet moss", "tag", "water table");
    expect(narrowed).toBe('tag:"water table" wet moss');
    expect(chipsOf(narrowed)).toEqual([{ name: "tag", value: "water table", raw: 'tag:"water table"' }]);
    expect(toggleFilter(narrowed, "tag", "Water Table")).toBe("wet moss");
  });
});

describe("passages", () => {
  const text = `${"It begins with other things. ".repeat(20)}Where the mosses grow the water table stands high. ${"And it ends with others. ".repeat(20)}`;
  const seeker = new Seeker({ terms: new Set(["moss", "water", "tabl"]), prefix: null });

  test("the place where the words stand near each other, marked", () => {
    const passage = seeker.passageIn(text, "en")!;
    expect(passage.marks.map(([a, b]) => passage.text.slice(a, b))).toEqual(["mosses", "water", "table"]);
    expect(passage.cut).toEqual([true, true]);
    expect(passage.text.length).toBeLessThanOrEqual(220);
    expect(seeker.passageIn("nothing of it", "en")).toBeNull();
  });

  test("an unfinished word is marked, pairs of letters as one piece", () => {
    const marks = (text: string, language: string | null, terms: string[], prefix: string | null) =>
      new Seeker({ terms: new Set(terms), prefix }).marksIn(text, language);
    expect(marks("Mossy ground", "en", [], "mos")).toEqual([[0, 5]]);
    expect(marks("泥炭地です", null, ["泥炭", "炭地"], null)).toEqual([[0, 3]]);
  });

  test("where stems lose the beginnings of words too, these are found all the same", () => {
    for (const [text, language, word] of [
      ["قرأت الكتاب اليوم", "ar", "كتاب"],
      ["Bhí na bpáistí anseo", "ga", "páistí"],
    ] as const) {
      const seeker = new Seeker({ terms: new Set([fold(stem(word, language))]), prefix: null });
      const [mark] = seeker.marksIn(text, language);
      expect(text.slice(...mark!)).toBe(text.split(" ").find((one) => one.includes(word)));
    }
  });

  test("a phrase: the words right after each other, in any form of case and ending", () => {
    expect(holdsPhrase("The Water Tables of a bog", "en", "water table")).toBe(true);
    expect(holdsPhrase("A table with water", "en", "water table")).toBe(false);
    expect(holdsPhrase("covid-19 rules", "en", "covid-19 rules")).toBe(true);
  });
});

test("did you mean: the nearest of the team's own words, the most used of equally near ones", () => {
  expect(distance("sphagnum", "shpagnum", 2)).toBe(1);
  expect(distance("moss", "mass", 1)).toBe(1);
  expect(distance("bog", "dogma", 2)).toBe(3);
  const known = [
    { word: "sphagnum", df: 3 },
    { word: "dipwell", df: 9 },
    { word: "dipwells", df: 2 },
  ];
  expect(didYouMean("spagnum", known)).toBe("sphagnum");
  expect(didYouMean("dipwel", known)).toBe("dipwell");
  expect(didYouMean("bog", known)).toBeNull();
  expect(didYouMean("curlew", known)).toBeNull();
  // Left unfinished: what is near comes first, then what begins so, the most used.
  expect(didYouMean("sph", known)).toBe("sphagnum");
  expect(didYouMean("sp", known)).toBeNull();
});
