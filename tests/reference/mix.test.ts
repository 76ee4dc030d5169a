import { readFileSync } from "node:fs";
import { expect, test } from "vitest";
import { hill, shannon, simpson } from "@/core/measure/diversity";

const { said, version } = JSON.parse(readFileSync("tests/outside/said/mix.json", "utf8")) as {
  version: string;
  said: { counts: number[]; shannon: number; simpson: number | null; hill: number[] }[];
};

test(`how mixed counts are is what ${version} says, to six digits`, () => {
  expect(said.length).toBeGreaterThan(10);
  for (const { counts, ...theirs } of said) {
    expect(shannon(counts)).toBeCloseTo(theirs.shannon, 6);
    // Theirs is how likely two are of different kinds.
    const alike = simpson(counts);
    if (alike === null) expect(theirs.simpson).toBeNull();
    else expect(1 - alike).toBeCloseTo(theirs.simpson!, 6);
    for (const order of [0, 1, 2] as const) expect(hill(counts, order)).toBeCloseTo(theirs.hill[order]!, 6);
  }
});
