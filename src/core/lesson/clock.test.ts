import { expect, test } from "vitest";
import { clockOf, sayTime } from "./clock";

test("the clock adds up, says what is left, and what nobody has given a time", () => {
  const phases = [{ minutes: 10 }, { minutes: null }, { minutes: 25 }];
  const clock = clockOf(phases, 45);
  expect(clock.phases.map(({ from, to }) => [from, to])).toEqual([
    [0, 10],
    [10, 10],
    [10, 35],
  ]);
  expect([clock.total, clock.left, clock.open]).toEqual([35, 10, 1]);
  expect(clockOf(phases, 30).left).toBe(-5);
  expect(clockOf([], null)).toEqual({ phases: [], total: 0, left: null, open: 0 });
});

test.each([
  ["08:15", 50, "09:05"],
  ["23:50", 20, "00:10"],
  ["", 35, "35"],
  ["later", 35, "35"],
])("%j and %i minutes: %s", (begin, minutes, said) => expect(sayTime(begin, minutes)).toBe(said));
