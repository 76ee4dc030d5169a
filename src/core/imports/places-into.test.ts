import { expect, test } from "vitest";
import type { BroughtPlace } from "./brought";
import { placesInto } from "./places-into";

const place = (title: string, parent: number | null, section = false): BroughtPlace => ({
  title,
  description: "",
  parent,
  section,
  addedAt: null,
});
const course = [place("Course", null), place("Before", 0, true), place("Week 1", 0), place("Day 2", 2)];
const made = (places: BroughtPlace[], open: boolean, arranges = true) => {
  const { list, renamed } = placesInto(places, open, arranges);
  return { list: list.map(({ title, parent }) => [title, parent]), renamed };
};

test("at the top of the team everything is made as the file has it", () => {
  expect(made(course, false)).toEqual({
    list: [
      ["Course", null],
      ["Before", 0],
      ["Week 1", 0],
      ["Day 2", 2],
    ],
    renamed: [0, 1, 2, 3],
  });
});

test("into an open collection, the one at the top of the file is that one, and the others move up", () => {
  expect(made(course, true)).toEqual({
    list: [
      ["Before", null],
      ["Week 1", null],
      ["Day 2", 1],
    ],
    renamed: [null, 0, 1, 2],
  });
});

test("of two at the top neither is the open one; both are made in it", () => {
  expect(made([...course, place("Extra", null)], true).renamed).toEqual([0, 1, 2, 3, 4]);
});

test("who may not make collections makes none", () => {
  expect(made(course, true, false)).toEqual({ list: [], renamed: [null, null, null, null] });
});
