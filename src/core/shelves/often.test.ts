import { expect, test } from "vitest";
import { fallOff, oftenCopied, type Taken } from "./often";

/** Worked out by hand: a half for every 90 days. */
test.each([
  [0, 1],
  [45, 0.7071],
  [90, 0.5],
  [180, 0.25],
  [270, 0.125],
  [-3, 1],
])("after %d days a copy counts %d", (days, weight) => {
  expect(fallOff(days)).toBeCloseTo(weight, 4);
});

test("teams are counted and not copies, each the less the longer ago it was", () => {
  const now = new Date("2026-11-30T12:00:00Z");
  const taken = (lender: string, team: string, days: number): Taken => ({
    ...{ lender, team, at: new Date(now.getTime() - days * 86_400_000) },
  });
  expect(
    oftenCopied(
      [
        // 1 however often
        ...Array.from({ length: 50 }, () => taken("greedy", "a", 0)),
        // 0.5 + 0.5 + 0.25 = 1.25
        ...[taken("liked", "a", 90), taken("liked", "b", 90), taken("liked", "c", 180)],
        // 0.125 · 4 = 0.5
        ...["a", "b", "c", "d"].map((team) => taken("old", team, 270)),
        // the later of both counts
        ...[taken("again", "a", 400), taken("again", "a", 10)],
        taken("forgotten", "a", 2_000),
      ],
      now,
    ),
  ).toEqual([
    { id: "liked", teams: 3 },
    { id: "greedy", teams: 1 },
    { id: "again", teams: 1 },
    { id: "old", teams: 4 },
  ]);
});
