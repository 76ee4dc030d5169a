import { afterAll, beforeEach, expect, test, vi } from "vitest";
import { openOriginals, originalOf } from "./originals";
import { toastsBy } from "./toast";

let opened: string[] = [];
let used: string[] = [];
let shown: { words: string; more?: { action?: { onClick: () => void } } }[] = [];

beforeEach(() => {
  opened = [];
  used = [];
  shown = [];
  toastsBy((_, words, more) => shown.push({ words, more: more as never }));
  vi.stubGlobal("window", {
    open: (address: string, _: string, how: string) => opened.push(`${address} ${how}`),
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

test("each opens beside the page, tells its site nothing of where one comes from, and counts as used", () => {
  openOriginals(pages(2));
  expect(opened).toEqual(["https://bog.example/0 noreferrer", "https://bog.example/1 noreferrer"]);
  expect(used).toEqual(["0", "1"]);
});

test("more than twenty are only opened when asked once more", () => {
  openOriginals(pages(20));
  expect(opened).toHaveLength(20);
  openOriginals(pages(21));
  expect([opened.length, shown.at(-1)!.words]).toEqual([20, "Open 21 pages at once?"]);
  shown.at(-1)!.more!.action!.onClick();
  expect(opened).toHaveLength(41);
});
