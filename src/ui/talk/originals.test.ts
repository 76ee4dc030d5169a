import { afterAll, beforeEach, expect, test, vi } from "vitest";
import { type HeldBack, onHeldBack, openOriginals, originalOf } from "./originals";
import { toastsBy } from "./toast";

let opened: string[] = [];
let used: string[] = [];
/** So many the browser lets be opened. */
let most = 100;
let held: HeldBack[] = [];
let shown: { words: string; more?: { action?: { onClick: () => void } } }[] = [];

beforeEach(() => {
  opened = [];
  used = [];
  most = 100;
  held = [];
  onHeldBack((one) => held.push(one));
  shown = [];
  toastsBy((_, words, more) => shown.push({ words, more: more as never }));
  vi.stubGlobal("window", {
    open: (address: string) =>
      opened.length >= most
        ? null
        : {
            opener: "this page",
            location: {
              set href(to: string) {
                opened.push(`${address} ${to}`);
              },
            },
          },
  });
  // That it cannot be noted is nobody's trouble.
  vi.stubGlobal("fetch", async (_: string, { body }: { body: string }) => {
    used.push((JSON.parse(body) as { resource: string }).resource);
    throw new TypeError("no connection");
  });
});
afterAll(() => void vi.unstubAllGlobals());
const pages = (count: number) =>
  Array.from({ length: count }, (_, i) => ({ id: `${i}`, address: `https://bog.example/${i}` }));

test("what has no address of its own has a page here", () => {
  expect(originalOf({ id: "1", address: "https://bog.example" })).toBe("https://bog.example");
  expect(originalOf({ id: "1", address: "" })).toBe("/read/1");
});

test("each opens beside the page, and counts as used", () => {
  openOriginals(pages(2));
  expect(opened).toEqual(["about:blank https://bog.example/0", "about:blank https://bog.example/1"]);
  expect(used).toEqual(["0", "1"]);
  expect(held).toEqual([]);
});

test("what the browser holds back is said, and is neither opened nor used", () => {
  most = 1;
  openOriginals(pages(3));
  expect([opened.length, used]).toEqual([1, ["0"]]);
  expect(held).toEqual([{ opened: 1, rest: pages(3).slice(1) }]);
});

test("more than twenty are only opened when asked once more", () => {
  openOriginals(pages(20));
  expect(opened).toHaveLength(20);
  openOriginals(pages(21));
  expect([opened.length, shown.at(-1)!.words]).toEqual([20, "Open 21 pages at once?"]);
  shown.at(-1)!.more!.action!.onClick();
  expect(opened).toHaveLength(41);
});
