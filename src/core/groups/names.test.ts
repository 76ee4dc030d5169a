import { expect, test } from "vitest";
import { MOST_NAMES, namesIn, twice } from "./names";

test("a list, a column, two columns of a table and one line with commas are names; numbers and blanks go", () => {
  expect(namesIn("1. Ada Moor\r\n2) Ben Fen\n\n  - Cleo  Bog \n")).toEqual([
    "Ada Moor",
    "Ben Fen",
    "Cleo Bog",
  ]);
  expect(namesIn("Ada\tMoor\t7b\nBen\tFen\t7b")).toEqual(["Ada Moor", "Ben Fen"]);
  expect(namesIn("Ada, Ben; Cleo")).toEqual(["Ada", "Ben", "Cleo"]);
  expect(namesIn("Moor, Ada\nFen, Ben")).toEqual(["Moor, Ada", "Fen, Ben"]);
  // Numbers alone are names where a class has no others.
  expect(namesIn("17\n18")).toEqual(["17", "18"]);
  expect(namesIn(" \n\t\n")).toEqual([]);
});

test("there is an end to it, and doubles are told once", () => {
  expect(namesIn("x\n".repeat(100_000))).toHaveLength(MOST_NAMES + 1);
  expect([...namesIn("沼".repeat(200))[0]!]).toHaveLength(80);
  expect(twice(["Ada", "Ben", "ada", "ADA"])).toEqual(["ADA"]);
});
