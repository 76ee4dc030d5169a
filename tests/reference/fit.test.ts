import { readFileSync } from "node:fs";
import loadHighs from "highs";
import { expect, test } from "vitest";
import { bestChoice } from "@/core/fit/best";
import { holds, valueOf } from "@/core/fit/choice";
import { fitCases } from "../outside/sources/fit-cases";

const { said, version } = JSON.parse(readFileSync("tests/outside/said/fit.json", "utf8")) as {
  version: string;
  said: number[];
};

test(`the best of choices too large to try each is worth what ${version} found`, async () => {
  const highs = await loadHighs();
  const cases = fitCases();
  expect(said).toHaveLength(cases.length);
  const found = cases.map(({ candidates, wishes }) => {
    const { chosen, proven } = bestChoice(highs, candidates, wishes, { seconds: 60 });
    expect(proven && holds(candidates, chosen!, wishes)).toBe(true);
    return valueOf(candidates, chosen!);
  });
  expect(found).toEqual(said);
});
