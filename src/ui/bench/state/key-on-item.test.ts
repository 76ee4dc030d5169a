import { expect, test } from "vitest";
import { keyOnItem } from "./key-on-item";

const plain = { altKey: false, shiftKey: false, ctrlKey: false, metaKey: false };
/** Three sections of two, one and three items; the second of the last has the focus. */
const place = {
  sections: [null, null, "peat", "fire", "fire", "fire"],
  at: 4,
  view: "rows" as const,
  sorted: false,
  several: false,
  arranges: true,
  brings: true,
};
const press = (key: string, on: object = {}, more: object = {}) =>
  keyOnItem({ key, ...plain, ...more }, { ...place, ...on });
const SHIFT = { shiftKey: true };
const CTRL = { ctrlKey: true };
const ALT = { altKey: true };

/** ARIA Authoring Practices Guide (W3C), grid: https://www.w3.org/WAI/ARIA/apg/patterns/grid/ */
test("arrows, Home, End and the page keys go through the list; Shift takes along, Ctrl leaves the choice as it is", () => {
  expect(press("ArrowDown")).toEqual({ do: "line", step: 1, how: "only" });
  expect(press("ArrowUp", {}, SHIFT)).toEqual({ do: "line", step: -1, how: "range" });
  expect(press("Home", {}, CTRL)).toEqual({ do: "go", to: 0, how: "keep" });
  expect(press("End", {}, { metaKey: true })).toEqual({ do: "go", to: 5, how: "keep" });
  expect(press("PageDown")).toEqual({ do: "go", to: 14, how: "only" });
  expect(press("PageUp")).toEqual({ do: "go", to: -6, how: "only" });
  expect(press("a", {}, CTRL)).toEqual({ do: "all" });
});

test("right and left go as the view lies: card by card, column by column, into the cells of a table", () => {
  expect(press("ArrowRight")).toBeNull();
  expect(press("ArrowLeft", { view: "steps" })).toBeNull();
  expect(press("ArrowRight", { view: "cards" })).toEqual({ do: "go", to: 5, how: "only" });
  expect(press("ArrowRight", { view: "table" })).toEqual({ do: "cell" });
  expect(press("ArrowLeft", { view: "table" })).toBeNull();
});

test("on the board one stays at the same height, or as low as the column beside goes", () => {
  const board = (key: string, at: number) => press(key, { view: "board", at });
  expect(board("ArrowLeft", 4)).toMatchObject({ to: 2 });
  expect(board("ArrowLeft", 2)).toMatchObject({ to: 0 });
  expect(board("ArrowRight", 2)).toMatchObject({ to: 3 });
  expect(board("ArrowRight", 1)).toMatchObject({ to: 2 });
  // Beside the first and the last column there is nothing.
  expect(board("ArrowLeft", 1)).toMatchObject({ to: 1 });
  expect(board("ArrowRight", 5)).toMatchObject({ to: 5 });
});

test("Alt with an arrow moves the item, unless the list is sorted by something else", () => {
  expect(press("ArrowUp", {}, ALT)).toEqual({ do: "step", by: -1 });
  expect(press("ArrowDown", {}, ALT)).toEqual({ do: "step", by: 1 });
  expect(press("ArrowDown", { sorted: true }, ALT)).toEqual({ do: "say-sorted" });
  expect(press("l", { sorted: true })).toEqual({ do: "say-sorted" });
  expect(press("l")).toEqual({ do: "lift" });
  // Space chooses, as the ARIA practices have it for lists of several.
  expect(press(" ")).toEqual({ do: "mark" });
  expect(press("c", {}, ALT)).toBeNull();
  expect(press("ArrowUp", {}, { ...ALT, ...CTRL })).toBeNull();
});

test("letters mean the same in either case; with Ctrl they are the browser's", () => {
  expect(press("C")).toEqual({ do: "edit", field: "context" });
  expect(press("m")).toEqual({ do: "ask", what: "move" });
  expect(press("M", {}, SHIFT)).toEqual({ do: "ask", what: "copy" });
  expect(press("t")).toEqual({ do: "edit", field: "tags" });
  expect(press("t", { several: true })).toEqual({ do: "ask", what: "tag" });
  for (const key of ["c", "l", "t", "Enter", "Delete"]) expect(press(key, {}, CTRL)).toBeNull();
  expect(press("q")).toBeNull();
});

test("who may not arrange can still look, choose and open; who may bring in can tag", () => {
  const may = (rights: object) =>
    ["Enter", "o", " ", "i", "Escape", "t", "k", "c", "h", "m", "l", "Delete", "Backspace"].filter((key) =>
      press(key, rights),
    );
  expect(may({ arranges: false, brings: false })).toEqual(["Enter", "o", " ", "i", "Escape"]);
  expect(may({ arranges: false })).toEqual(["Enter", "o", " ", "i", "Escape", "t", "k"]);
  expect(may({})).toHaveLength(13);
  expect(press("ArrowUp", { arranges: false }, ALT)).toBeNull();
});
