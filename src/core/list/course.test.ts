import { expect, test } from "vitest";
import { cutInMiddle, downFrom, sayInside, shortName } from "./course";

test("from the top down, in the order of the tree, each once", () => {
  const node = (id: string, parent: string | null) => ({ id, parent, title: id });
  const nodes = [
    node("c", null),
    node("u1", "c"),
    node("u2", "c"),
    node("w2", "u2"),
    node("w1", "u1"),
    node("o", null),
  ];
  expect(downFrom(nodes, "c").map((one) => one.id)).toEqual(["c", "u1", "w1", "u2", "w2"]);
  expect(downFrom(nodes, "gone")).toEqual([]);
  // A ring, which must not be, ends where it closes.
  expect(downFrom([node("a", "b"), node("b", "a")], "a").map((one) => one.id)).toEqual(["a", "b"]);
});

test("what stands inside is counted by what its people call it", () => {
  expect(sayInside(["Unit 1: water", "Week 1: what a bog is", "Week 2", "Week 3: the water table"])).toEqual([
    "1 unit",
    "3 weeks",
  ]);
  expect(sayInside(["Lektion I", "Lektion II", "Extras"])).toEqual(["2 lektions", "1 more collection"]);
  expect(sayInside(["Weekend reading", "Sounds"])).toEqual(["2 collections"]);
  expect(sayInside([])).toEqual([]);
});

test("where there is no room a name is its number, or how it begins", () => {
  expect(["Week 12: the gale", "Unit B", "To begin with", "Ö"].map(shortName)).toEqual([
    "12",
    "B",
    "To",
    "Ö",
  ]);
});

test("a long name keeps its end", () => {
  expect(cutInMiddle("Week 3: the water table, morning")).toEqual(["Week 3: the water table", ", morning"]);
  expect(cutInMiddle("Week 3")).toEqual(["Week 3", ""]);
});
