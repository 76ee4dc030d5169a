import { expect, test } from "vitest";
import { keysAt } from "./explained-keys";

test("the sheet tells the keys of the screen one is on from those of other screens", () => {
  const bench = keysAt("/bench/0a").here;
  expect(bench).toEqual(expect.arrayContaining(["paste", "context", "away", "cells"]));
  expect(bench).not.toContain("rename");
  const desk = keysAt("/team/1").here;
  expect(desk).toEqual(["palette", "find", "bring", "sheet", "paste", "undo", "redo"]);
  expect(keysAt("/team/1/collections").here).toContain("stepTree");
  const catalogue = keysAt("/team/1/catalogue");
  expect(catalogue.here).toEqual(expect.arrayContaining(["invert", "tag", "cells"]));
  expect(catalogue.elsewhere).toEqual(expect.arrayContaining(["context", "lift", "section", "extension"]));
});
