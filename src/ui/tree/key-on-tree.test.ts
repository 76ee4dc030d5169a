import { expect, test } from "vitest";
import { keyOnTree } from "./key-on-tree";

const plain = { altKey: false, shiftKey: false, ctrlKey: false, metaKey: false };
const row = { at: 2, count: 5, parents: true, open: true, parent: "course", away: false };
const press = (key: string, more: object = {}, on: object = {}, arranges = true) =>
  keyOnTree({ key, ...plain, ...more }, { ...row, ...on }, arranges);

/** ARIA Authoring Practices Guide (W3C), tree view: https://www.w3.org/WAI/ARIA/apg/patterns/treeview/ */
test("arrows, Home, End and Enter are those of a tree view", () => {
  expect(press("ArrowDown")).toEqual({ do: "go", to: 3 });
  expect(press("ArrowUp")).toEqual({ do: "go", to: 1 });
  expect(press("Home")).toEqual({ do: "go", to: 0 });
  expect(press("End")).toEqual({ do: "go", to: 4 });
  expect(press("Enter")).toEqual({ do: "open" });
  // Right opens what is closed, then goes inside; left closes what is open, then goes out.
  expect(press("ArrowRight", {}, { open: false })).toEqual({ do: "toggle" });
  expect(press("ArrowRight")).toEqual({ do: "go", to: 3 });
  expect(press("ArrowLeft")).toEqual({ do: "toggle" });
  expect(press("ArrowLeft", {}, { open: false })).toEqual({ do: "focus", id: "course" });
  expect(press("ArrowLeft", {}, { parents: false, parent: null })).toEqual({ do: "go", to: 2 });
  expect(press("ArrowRight", {}, { parents: false })).toEqual({ do: "go", to: 2 });
});

test("Alt with an arrow moves the collection itself; letters act on it, in either case", () => {
  expect(press("ArrowRight", { altKey: true })).toEqual({ do: "step", how: "in" });
  expect(press("N")).toEqual({ do: "inside" });
  expect(press("d")).toEqual({ do: "duplicate", items: true });
  expect(press("D", { shiftKey: true })).toEqual({ do: "duplicate", items: false });
  expect(press("p", {}, { away: true })).toEqual({ do: "put-away", away: false });
  expect(press("Backspace")).toEqual({ do: "remove" });
});

test("who may not arrange only looks around; keys of the browser stay the browser's", () => {
  for (const key of ["n", "d", "p", "F2", "Delete"]) expect(press(key, {}, {}, false)).toBeNull();
  expect(press("ArrowUp", { altKey: true }, {}, false)).toBeNull();
  expect(press("ArrowDown", {}, {}, false)).toEqual({ do: "go", to: 3 });
  expect(press("d", { ctrlKey: true })).toBeNull();
  expect(press("p", { metaKey: true })).toBeNull();
  expect(press("q")).toBeNull();
});
