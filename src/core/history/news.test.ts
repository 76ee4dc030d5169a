import { expect, test } from "vitest";
import { newsOf } from "./news";

const of = (...all: string[]) => {
  const { items, gone } = newsOf(
    all.map((one) => ({ verb: `placements.${one.split(" ")[0]}`, subject: one.split(" ")[1]! })),
  );
  return [Object.fromEntries(items), gone];
};

test("an item is news once, by what weighs most", () => {
  expect(of("move a", "edit a", "edit b", "move b", "move c")).toEqual([
    { a: "words", b: "words", c: "moved" },
    0,
  ]);
  expect(of("add a", "edit a", "move a")).toEqual([{ a: "new" }, 0]);
});

test("what went is counted, and what came and went in between is no news", () => {
  expect(of("edit a", "remove a", "add b", "remove b", "remove c")).toEqual([{}, 2]);
});

test("what was taken out and put back stands there as before", () => {
  expect(
    newsOf([
      { verb: "placements.remove", subject: "a" },
      { verb: "bin.restore-placement", subject: "a" },
      { verb: "presence", subject: "b" },
    ]),
  ).toEqual({ items: new Map(), gone: 0 });
});
