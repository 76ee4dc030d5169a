import { expect, test } from "vitest";
import { FIRST_SETTING } from "@/core/list/view-setting";
import { type BenchEvent, isOutOfOrder, openedWith, reduce } from "./bench-state";

const after = (...events: BenchEvent[]) => events.reduce(reduce, openedWith(FIRST_SETTING));

test("details open, close when asked for again, and stay when another field of them is asked for", () => {
  const open: BenchEvent = { type: "toggle", item: "a" };
  expect(after(open).opened).toEqual({ id: "a", field: "open" });
  expect(after(open, open).opened).toBeNull();
  expect(after(open, { ...open, field: "tags" }).opened).toEqual({ id: "a", field: "tags" });
  expect(after(open, { type: "toggle", item: "b" }).opened).toEqual({ id: "b", field: "open" });
  expect(after({ ...open, field: "tags" }, { ...open, field: "tags" }).opened).toBeNull();
});

test("who closes the box that narrows sees everything again", () => {
  const narrowed = after({ type: "narrow", text: "" }, { type: "found", found: new Set(["a"]) });
  expect(isOutOfOrder(narrowed)).toBe(true);
  expect(reduce(narrowed, { type: "narrow", text: "so" }).found).toEqual(new Set(["a"]));
  const closed = reduce(narrowed, { type: "narrow", text: null });
  expect([closed.found, closed.filtering, isOutOfOrder(closed)]).toEqual([null, null, false]);
});

test("sorted by something else nothing can be moved; a wish changes only what it names", () => {
  const sorted = after({ type: "view", wish: { sort: "title" } });
  expect(sorted.setting).toEqual({ ...FIRST_SETTING, sort: "title" });
  expect(isOutOfOrder(sorted)).toBe(true);
});

test("the supply side folds to and fro, or as it is said; what is closed already stays the same object", () => {
  expect(after({ type: "fold" }).folded).toBe(true);
  expect(after({ type: "fold" }, { type: "fold" }).folded).toBe(false);
  expect(after({ type: "fold", folded: false }).folded).toBe(false);
  const state = after();
  expect(reduce(state, { type: "close" })).toBe(state);
});

test("one line is written at a time, without the details, and only its own end ends it", () => {
  const writing = after({ type: "toggle", item: "a" }, { type: "write", item: "a" });
  expect([writing.writing, writing.opened]).toEqual(["a", null]);
  const next = reduce(writing, { type: "write", item: "b" });
  // The field of the first goes away only now.
  expect(reduce(next, { type: "written", item: "a" })).toBe(next);
  expect(reduce(next, { type: "written", item: "b" }).writing).toBeNull();
  expect(reduce(next, { type: "toggle", item: "b" }).writing).toBeNull();
});
