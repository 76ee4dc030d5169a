import { expect, test } from "vitest";
import { drawing } from "./agreement/random";
import { ranked, type Rankable, worthOf } from "./ranking";
import { STARTER } from "./starter-criteria";

const criteria = STARTER.criteria.slice(0, 2);
const thing = (...said: (number | null)[][]): Rankable => ({
  said: said.map((steps) => ({ steps })),
  agreed: null,
});

test("what was agreed on counts instead of what each said, and who cannot say does not count", () => {
  const disputed = thing([1, 3], [3, 0]);
  expect(worthOf(disputed, criteria)).toEqual([0.5, 1]);
  expect(worthOf({ ...disputed, agreed: { steps: [3, 1] } }, criteria)).toEqual([1, 0]);
  expect(worthOf(thing([0, 0]), criteria)).toEqual([null, null]);
});

test("things of one score share a rank, and what nobody could say anything of has none", () => {
  const all = [thing([1, 1]), thing([3, 3]), thing([2, 2]), thing([3, 1]), thing([0, 0])];
  const found = ranked(all, criteria, drawing(5));
  expect(found.map(({ at, rank }) => [at, rank])).toEqual([
    [1, 1],
    [2, 2],
    [3, 2],
    [0, 4],
  ]);
});

test("a rank is firm where no weight changes it, and is said not to be where one does", () => {
  const all = [thing([3, 3]), thing([3, 1]), thing([1, 3]), thing([1, 1])];
  const weighed = [
    { ...criteria[0]!, weight: 1.1 },
    { ...criteria[1]!, weight: 1 },
  ];
  const firm = new Map(ranked(all, weighed, drawing(5)).map((one) => [one.at, one.firm]));
  expect(firm.get(0)).toEqual([1, 1]);
  expect(firm.get(3)).toEqual([4, 4]);
  expect(firm.get(1)).toEqual([2, 3]);
  expect(firm.get(2)).toEqual([2, 3]);
});

test("questions that weigh nothing decide nothing", () => {
  const weightless = criteria.map((one, i) => ({ ...one, weight: i }));
  expect(ranked([thing([3, 1]), thing([1, 3])], weightless, drawing(5)).map(({ at }) => at)).toEqual([1, 0]);
  const none = criteria.map((one) => ({ ...one, weight: 0 }));
  expect(ranked([thing([3, 1])], none, drawing(5))).toEqual([]);
});
