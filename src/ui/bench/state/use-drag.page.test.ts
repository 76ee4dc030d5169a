import { act, renderHook } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";
import type { Item, Landing } from "./types";
import { useDrag } from "./use-drag";

const item = (id: string, section: string | null) =>
  ({ id, section, resource: { id: `page ${id}` } }) as unknown as Item;
const ITEMS = [item("a", null), item("b", "s"), item("c", "s")];

/** Boxes on a page, each 100 wide; who lies under a point is found by them, the last one drawn first. */
let boxes: { element: HTMLElement; top: number; bottom: number; left: number; right: number }[];
function box(
  parent: HTMLElement,
  data: Record<string, string>,
  top: number,
  bottom: number,
  left = 0,
  right = 100,
) {
  const element = document.createElement("div");
  Object.assign(element.dataset, data);
  parent.append(element);
  element.getBoundingClientRect = () =>
    ({ top, bottom, left, right, width: right - left, height: bottom - top }) as DOMRect;
  boxes.push({ element, top, bottom, left, right });
  return element;
}
let making: HTMLElement;
beforeEach(() => {
  boxes = [];
  document.body.replaceChildren();
  document.elementFromPoint = (x, y) =>
    boxes.findLast((one) => y >= one.top && y < one.bottom && x >= one.left && x < one.right)?.element ??
    null;
  making = box(document.body, { making: "", scroller: "" }, 0, 600);
  box(making, { item: "a" }, 100, 140);
  box(making, { section: "s" }, 140, 180);
  box(making, { item: "b" }, 180, 220);
  box(making, { item: "c" }, 220, 260);
  box(document.body, { drop: "fen", dropTitle: "The fen" }, 0, 600, 200, 300);
});

function dragging({ sorted = false, along = (id: string) => ITEMS.filter((one) => one.id === id) } = {}) {
  const moved: [string[], Landing][] = [];
  const sent: [string[], string][] = [];
  const placed: [unknown[], Landing][] = [];
  const { result } = renderHook(() =>
    useDrag(ITEMS, {
      along,
      move: (ids, landing) => moved.push([ids, landing]),
      send: (ids, to) => sent.push([ids, to.title]),
      place: (resources, landing) => placed.push([resources, landing]),
      sorted,
    }),
  );
  const at = (x: number, y: number) =>
    ({
      activatorEvent: new MouseEvent("mousedown", { clientX: x, clientY: y }),
      delta: { x: 0, y: 0 },
    }) as never;
  return {
    moved,
    sent,
    placed,
    take: (data: object) =>
      act(() => result.current.context.onDragStart({ active: { data: { current: data } } } as never)),
    over: (x: number, y: number) => act(() => result.current.context.onDragMove(at(x, y))),
    drop: () => act(() => result.current.context.onDragEnd({} as never)),
    cancel: () => act(() => result.current.context.onDragCancel()),
    landing: () => result.current.landing,
    elsewhere: () => result.current.elsewhere?.title ?? null,
    carried: () => result.current.carried,
  };
}

test("it lands behind the item whose farther half is under the pointer, before the one whose nearer half is", () => {
  const drag = dragging();
  drag.take({ item: ITEMS[0] });
  drag.over(50, 185);
  expect(drag.landing()).toEqual({ section: "s", after: null });
  drag.over(50, 215);
  expect(drag.landing()).toEqual({ section: "s", after: "b" });
  drag.over(50, 225);
  expect(drag.landing()).toEqual({ section: "s", after: "b" });
  drag.over(50, 255);
  expect(drag.landing()).toEqual({ section: "s", after: "c" });
  drag.drop();
  expect(drag.moved).toEqual([[["a"], { section: "s", after: "c" }]]);
  expect(drag.carried()).toBeNull();
});

test("under the name of a section it is the first there; below everything the last of all", () => {
  const drag = dragging();
  drag.take({ item: ITEMS[2] });
  drag.over(50, 150);
  expect(drag.landing()).toEqual({ section: "s", after: null });
  drag.over(50, 500);
  expect(drag.landing()).toEqual({ section: "s", after: "c" });
});

test("where cards stand beside each other the left and the right half count", () => {
  making.dataset.flow = "across";
  const drag = dragging();
  drag.take({ item: ITEMS[0] });
  drag.over(20, 215);
  expect(drag.landing()).toEqual({ section: "s", after: null });
  drag.over(80, 185);
  expect(drag.landing()).toEqual({ section: "s", after: "b" });
});

test("in a column without an item under the pointer it is the last of the column", () => {
  box(making, { column: "s" }, 300, 400);
  box(making, { column: "" }, 400, 500);
  const drag = dragging();
  drag.take({ item: ITEMS[0] });
  drag.over(50, 350);
  expect(drag.landing()).toEqual({ section: "s", after: "c" });
  drag.over(50, 450);
  expect(drag.landing()).toEqual({ section: null, after: "a" });
});

test("over the name of another collection it goes there; all that are chosen go along", () => {
  const drag = dragging({ along: () => ITEMS.slice(1) });
  drag.take({ item: ITEMS[1] });
  drag.over(250, 50);
  expect([drag.elsewhere(), drag.landing()]).toEqual(["The fen", null]);
  drag.drop();
  expect(drag.sent).toEqual([[["b", "c"], "The fen"]]);
  expect(drag.moved).toEqual([]);
});

test("what comes from the other side is placed, also into a sorted list, where nothing is moved", () => {
  const drag = dragging({ sorted: true });
  drag.take({ resources: [{ id: "new" }] });
  drag.over(50, 255);
  drag.drop();
  expect(drag.placed).toEqual([[[{ id: "new" }], { section: "s", after: "c" }]]);
  drag.take({ item: ITEMS[0] });
  drag.over(50, 255);
  expect(drag.landing()).toBeNull();
  drag.drop();
  expect(drag.moved).toEqual([]);
});

test("let go outside, or left by Escape, everything stays where it was", () => {
  const drag = dragging();
  drag.take({ item: ITEMS[0] });
  drag.over(50, 255);
  drag.over(150, 50);
  expect(drag.landing()).toBeNull();
  drag.drop();
  drag.take({ item: ITEMS[0] });
  drag.over(50, 255);
  drag.cancel();
  expect([drag.moved, drag.sent, drag.placed]).toEqual([[], [], []]);
});

test("near the lower edge the list scrolls as long as one stays there, faster the nearer, and stops with the drop", () => {
  const frames: FrameRequestCallback[] = [];
  vi.stubGlobal("requestAnimationFrame", (frame: FrameRequestCallback) => frames.push(frame));
  vi.stubGlobal("cancelAnimationFrame", () => (frames.length = 0));
  const drag = dragging();
  const frame = () => act(() => frames.shift()?.(0));
  const scrolled = (y: number) => {
    const before = making.scrollTop;
    drag.over(50, y);
    frame();
    return making.scrollTop - before;
  };
  drag.take({ item: ITEMS[0] });
  expect(scrolled(300)).toBe(0);
  const slow = scrolled(560);
  const fast = scrolled(599);
  expect(slow).toBeGreaterThan(0);
  expect(fast).toBeGreaterThan(slow);
  const there = making.scrollTop;
  frame();
  expect(making.scrollTop).toBe(there + fast);
  expect(scrolled(5)).toBeLessThan(0);
  drag.drop();
  expect(frames).toEqual([]);
  vi.unstubAllGlobals();
});
