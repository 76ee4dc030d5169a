import fc from "fast-check";
import { expect, test } from "vitest";
import { outcomesFromTable } from "./outcomes-table";
import { readOutcomes, writeOutcome } from "./read-outcomes";

const read = (table: string) =>
  readOutcomes(outcomesFromTable(table)!).map(({ depth, code, title }) => [depth, code, title]);

test("a table with the codes of those above is a tree, in whatever order its rows stand", () => {
  expect(
    read(
      'Code;Parent;Learning outcome\r\nSC.1-b;SC.1;"Say what peat is made of;\nand how slowly it grows"\r\nSC.1;;Know what a bog is\r\nSC.1-c;SC.1;Name five mosses\r\n',
    ),
  ).toEqual([
    [0, "SC.1", "Know what a bog is"],
    [1, "SC.1-b", "Say what peat is made of; and how slowly it grows"],
    [1, "SC.1-c", "Name five mosses"],
  ]);
});

test("levels say how deep, as numbers or by points; without heads the first column is the code", () => {
  const levels = "humanCodingScheme,fullStatement,smartLevel\nW.A,Water,1\nW.A1,Read a dipwell,1.1\nP,Peat,2";
  expect(read(levels)).toEqual([
    [0, "W.A", "Water"],
    [1, "W.A1", "Read a dipwell"],
    [0, "P", "Peat"],
  ]);
  expect(read("level,question\n2,What is peat?\n3,How old is it?")).toEqual([
    [0, "", "What is peat?"],
    [1, "", "How old is it?"],
  ]);
  expect(read("1.1,Say what it is made of\n1.2,Say how old it is").map(([, code]) => code)).toEqual([
    "1.1",
    "1.2",
  ]);
});

test("those that stand in each other in a ring are not lost, and what has no words is no list", () => {
  expect(read("code,parent,outcome\na,b,One\nb,a,Two").map(([, , title]) => title)).toEqual(["One", "Two"]);
  expect(outcomesFromTable("code,parent\n")).toBeNull();
  expect(outcomesFromTable("")).toBeNull();
});

test("whatever its code is, a line is read as it was written", () => {
  const code = fc.oneof(fc.constant(""), fc.stringMatching(/^[A-Za-z0-9.:_/-]{1,20}$/));
  fc.assert(
    fc.property(code, fc.stringMatching(/^[a-z]{2,12}( [a-z]{2,8}){0,3}$/), (code, title) => {
      expect(readOutcomes(writeOutcome({ code, title, depth: 0 }))).toMatchObject([{ code, title }]);
    }),
  );
});
