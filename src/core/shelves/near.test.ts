import { expect, test } from "vitest";
import { lacking, lift, type Met, nearest } from "./near";

const met = (id: string, more: Partial<Met> = {}): Met => ({
  ...{ id, addresses: [], size: 10, tags: [], tagged: 3, words: 0, ...more },
});
const own = { size: 10, tagged: 3, words: 100 };
const order = (all: Met[]) => nearest(own, all, 1_000).map((one) => one.id);

test("rare pages both have bring nearer than common ones, and a few of few than a few of many", () => {
  expect(order([met("common", { addresses: [400, 300] }), met("rare", { addresses: [2, 3] })])).toEqual([
    "rare",
    "common",
  ]);
  expect(
    order([met("large", { addresses: [2, 3], size: 900 }), met("small", { addresses: [2, 3], size: 5 })]),
  ).toEqual(["small", "large"]);
});

test("why it is near is said; what shares nothing that says something is not near", () => {
  const [near, ...rest] = nearest(
    own,
    [
      met("a", {
        addresses: [3],
        tags: [
          { name: "peat", df: 90 },
          { name: "dipwell", df: 4 },
        ],
        words: 40,
      }),
      met("b", { words: 20 }),
    ],
    1_000,
  );
  expect(near).toMatchObject({ id: "a", pages: 1, tags: ["dipwell", "peat"], alike: true });
  expect(rest).toEqual([]);
});

test("a collection is as near to itself as can be", () => {
  const [one] = nearest(
    { size: 2, tagged: 1, words: 50 },
    [met("self", { addresses: [1, 1], size: 2, tags: [{ name: "t", df: 1 }], tagged: 1, words: 50 })],
    1_000,
  );
  expect(one!.score).toBeCloseTo(2);
});

test("what near ones have and this one lacks comes in the order of how many, and how near they are", () => {
  const found = lacking(
    [
      { score: 1, items: [{ key: "x" }, { key: "own" }, { key: "x" }] },
      { score: 0.4, items: [{ key: "y" }, { key: "z" }] },
      { score: 0.3, items: [{ key: "y" }] },
    ],
    new Set(["own"]),
  );
  expect(found.map((one) => [one.item.key, one.in])).toEqual([
    ["x", 1],
    ["y", 2],
    ["z", 1],
  ]);
});

/**
 * The tea and coffee of Brin, Motwani and Silverstein, Beyond market baskets (SIGMOD 1997), section 1: of 100 buyers 25 buy
 * tea, 90 coffee, 20 both; 0.2 / (0.25 · 0.9) = 0.89. (From memory.)
 */
test("lift is what the textbook has, and below the floor nothing is said", () => {
  expect(lift(20, 25, 90, 100)).toBeCloseTo(0.889, 3);
  expect(lift(3, 3, 3, 100)).toBeCloseTo(33.33, 2);
  expect(lift(2, 2, 2, 100)).toBeNull();
});
