import { expect, test } from "vitest";
import { cloudSize, fillMonths, togetherness } from "./cloud";
import { lookAlikes } from "./look-alike";
import { suggestTags } from "./suggest";

test("sizes of a cloud by hand: 1, 10, 100 and 1,000 uses are a quarter apart from each other", () => {
  // log10 of the use over log10 of 1,000: 0, 1/3, 2/3, 1; times four, rounded, from 1.
  expect([1, 10, 100, 1000].map((n) => cloudSize(n, 1, 1000))).toEqual([1, 2, 4, 5]);
  expect(cloudSize(7, 7, 7)).toBe(3);
  expect(cloudSize(0, 1, 9)).toBe(1);
});

test("together, by a table worked out by hand", () => {
  // 8 things with dam, 5 with peat, 3 with both: 3 of the 10 that have either.
  expect(togetherness(3, 8, 5)).toBeCloseTo(0.3);
  expect(togetherness(0, 8, 5)).toBe(0);
  expect(togetherness(4, 4, 4)).toBe(1);
});

test("months without use are there too, over the turn of a year", () => {
  const months = fillMonths(new Map([["2025-12", 2]]), "2026-02");
  expect(months).toHaveLength(12);
  expect(months.slice(-3)).toEqual([
    { month: "2025-12", count: 2 },
    { month: "2026-01", count: 0 },
    { month: "2026-02", count: 0 },
  ]);
  expect(fillMonths(new Map([["2024-01", 1]]), "2026-02", 24)).toHaveLength(24);
});

test("look-alikes: forms of a word, hyphens, one letter; not what only looks near", () => {
  const tags = [
    "dam",
    "dams",
    "peat-core",
    "peat core",
    "sphagnum",
    "spagnum",
    "shpagnum",
    "bog",
    "dog",
    "2025",
    "2026",
  ];
  const pairs = lookAlikes(tags.map((name, i) => ({ id: String(i), name, count: 10 - i })));
  expect(pairs.map(({ keep, other, reason }) => `${keep.name}/${other.name} ${reason}`).sort()).toEqual([
    "dam/dams plural",
    "peat-core/peat core hyphen",
    "spagnum/shpagnum spelling",
    "sphagnum/shpagnum spelling",
    "sphagnum/spagnum spelling",
  ]);
  // The names are not held against each other one by one: twice the names are read twice as often, not four times.
  const readsOf = (count: number) => {
    let reads = 0;
    const letters = (i: number) =>
      [...String(i)].map((digit) => "bcdfghjklm"[Number(digit)]!.repeat(3)).join("");
    const many = Array.from({ length: count }, (_, i) => ({
      id: `m${i}`,
      count: 1,
      get name() {
        reads++;
        return `subject ${letters(i)} of all`;
      },
    }));
    expect(lookAlikes(many)).toEqual([]);
    return reads;
  };
  expect(readsOf(600) / readsOf(300)).toBeLessThan(2.5);
});

test("suggested: all words of the name must be in the text; neighbours count by their likeness", () => {
  const terms = [
    { term: "water", weight: 1000, word: "water" },
    { term: "tabl", weight: 500, word: "table" },
    { term: "peat", weight: 100, word: "peat" },
  ];
  const found = suggestTags(
    terms,
    ["water tables", "water voles", "peat", "birds", "moss"],
    [
      { tags: ["birds"], likeness: 3 },
      { tags: ["birds", "moss"], likeness: 1 },
    ],
    { has: ["moss"] },
  );
  // water tables: 0.6 · 500/1000; birds: 0.4 · 4/4; peat, 0.06, is too light.
  expect(found.map(({ name, score }) => [name, Math.round(score * 100) / 100])).toEqual([
    ["birds", 0.4],
    ["water tables", 0.3],
  ]);
});
