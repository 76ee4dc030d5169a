import { readFileSync } from "node:fs";
import { expect, test } from "vitest";
import { gwetsAc1 } from "@/core/appraise/agreement/ac1";
import { krippendorffsAlpha, LEVELS } from "@/core/appraise/agreement/alpha";
import { alphaInterval } from "@/core/appraise/agreement/bootstrap";
import { figuresOf, sayAgreement, wordFor } from "@/core/appraise/agreement/figures";
import { fleissKappa } from "@/core/appraise/agreement/fleiss";
import { cohensKappa } from "@/core/appraise/agreement/kappa";
import { percentAgreement } from "@/core/appraise/agreement/percent";
import { drawing } from "@/core/appraise/agreement/random";
import type { Values } from "@/core/appraise/agreement/values";

/** Rows of numbers, `-` for a gap. */
const read = (rows: readonly string[]): Values =>
  rows.map((row) => row.split(" ").map((value) => (value === "-" ? null : Number(value))));
const turned = (values: Values): Values => values[0]!.map((_, i) => values.map((row) => row[i]!));

test("α of the data in Krippendorff, “Computing Krippendorff’s Alpha-Reliability” (2011), section D; from memory", () => {
  const values = turned(
    read([
      "1 2 3 3 2 1 4 1 2 - - -",
      "1 2 3 3 2 2 4 1 2 5 - 3",
      "- 3 3 3 2 3 4 2 2 5 1 -",
      "1 2 3 3 2 4 4 1 2 5 1 -",
    ]),
  );
  const alphas = LEVELS.map((level) => krippendorffsAlpha(values, level)!.toFixed(3));
  expect(alphas).toEqual(["0.743", "0.815", "0.849", "0.797"]);
});

test("κ of ten things, fourteen people and five answers, the worked example that is common for Fleiss (1971); from memory", () => {
  const counts = read([
    ...["0 0 0 0 14", "0 2 6 4 2", "0 0 3 5 6", "0 3 9 2 0", "2 2 8 1 1"],
    ...["7 7 0 0 0", "3 2 6 3 0", "2 5 3 2 2", "6 5 2 1 0", "0 2 2 3 7"],
  ]);
  const values = counts.map((row) => row.flatMap((times, i) => Array<number>(times!).fill(i + 1)));
  expect(fleissKappa(values)!.toFixed(3)).toBe("0.210");
});

type Said = { table: string[] } & Partial<
  Record<"nominal" | "interval" | "fleiss" | "cohen" | "linear" | "quadratic", number>
>;
/** What large programs said of made-up tables, by which script and when. */
const saidIn = (name: string) =>
  (JSON.parse(readFileSync(`tests/outside/said/${name}.json`, "utf8")) as { said: Said[] }).said;

test.each([
  ["nltk, scikit-learn and statsmodels", "agreement"],
  ["the package psych of R", "kappa"],
])("made-up tables agree to six digits with %s, as far as each has the figure", (_, name) => {
  const said = saidIn(name);
  expect(said.length).toBeGreaterThanOrEqual(20);
  for (const { table, ...figures } of said) {
    const values = read(table);
    const ours: Record<string, number | null> = {
      nominal: krippendorffsAlpha(values, "nominal"),
      interval: krippendorffsAlpha(values, "interval"),
      fleiss: fleissKappa(values),
      cohen: cohensKappa(values),
      linear: cohensKappa(values, "linear"),
      quadratic: cohensKappa(values, "quadratic"),
    };
    for (const [name, value] of Object.entries(figures))
      expect(Math.abs(ours[name]! - value), `${name} of ${table.join(" / ")}`).toBeLessThan(1e-6);
  }
});

test("AC1 of two people is what its formula gives by hand, and holds where κ says nothing", () => {
  // Of 20 things both say yes to 18, and each alone to one: alike 0.9; yes 0.95, so chance 2 · 0.95 · 0.05 = 0.095.
  const values: Values = [...Array.from({ length: 18 }, () => [2, 2]), [1, 2], [2, 1]];
  expect(percentAgreement(values)).toBeCloseTo(0.9, 10);
  expect(gwetsAc1(values, 2)).toBeCloseTo((0.9 - 0.095) / (1 - 0.095), 10);
  expect(cohensKappa(values)!).toBeLessThan(0);
  expect(sayAgreement(figuresOf(values, 2, "nominal"), null)).toContain("You mostly agree");
});

test("what cannot be said is not said", () => {
  const alike: Values = Array.from({ length: 8 }, () => [3, 3]);
  expect([cohensKappa(alike), fleissKappa(alike), krippendorffsAlpha(alike, "ordinal")]).toEqual([
    null,
    null,
    null,
  ]);
  expect(percentAgreement(alike)).toBe(1);
  const gaps: Values = [
    [1, null],
    [null, 2],
  ];
  expect([percentAgreement(gaps), cohensKappa(gaps), gwetsAc1(gaps, 3)]).toEqual([null, null, null]);
  expect(sayAgreement(figuresOf(gaps, 3, "ordinal"), null)).toContain("Nothing has been judged by two");
  expect(sayAgreement(figuresOf(alike, 3, "ordinal"), null)).toContain("same answer");
  expect([0.8, 0.81, 0.2, 0, -0.1].map(wordFor)).toEqual([
    ...["substantial", "almost perfect", "slight", "slight", "poor"],
  ]);
});

test("of 95 in 100 intervals it is said that α lies in them, and of about so many it does", () => {
  // Two people who each see what is so with 0.9, and guess else, among three answers: α is 0.81 of what it would be of all.
  const random = drawing(7);
  const draw = (things: number): Values =>
    Array.from({ length: things }, () => {
      const worth = Math.floor(random() * 3);
      return [0, 1].map(() => (random() < 0.9 ? worth : Math.floor(random() * 3)));
    });
  const truth = krippendorffsAlpha(draw(200_000), "nominal")!;
  expect(truth).toBeCloseTo(0.81, 2);
  let covered = 0;
  for (let i = 0; i < 300; i++) {
    const [low, high] = alphaInterval(draw(60), "nominal", { draws: 300, random })!;
    if (low <= truth && truth <= high) covered++;
  }
  // A percentile interval of 60 things covers a little less than it says; how much is in the books.
  expect(covered / 300).toBeGreaterThan(0.9);
  expect(covered / 300).toBeLessThan(0.99);
});
