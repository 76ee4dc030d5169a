import { expect, test } from "vitest";
import { type OutlineItem, outlineLines, safeAddress, spotOf } from "./pdf-places";

const PAGE = { num: 7, gen: 0 };

test("a destination of every kind is read as ISO 32000-1:2008 has it in table 151", () => {
  const spot = (kind: string, ...numbers: unknown[]) => spotOf([PAGE, { name: kind }, ...numbers]);
  expect(spot("XYZ", 72, 700, 1.5)).toEqual({ left: 72, top: 700 });
  expect(spot("XYZ", null, 700, null)).toEqual({ left: null, top: 700 });
  expect(spot("Fit")).toEqual({ left: null, top: null });
  expect(spot("FitH", 700)).toEqual({ left: null, top: 700 });
  expect(spot("FitV", 72)).toEqual({ left: 72, top: null });
  // left, bottom, right, top
  expect(spot("FitR", 10, 20, 300, 400)).toEqual({ left: 10, top: 400 });
  expect(spot("FitBH", 0)).toEqual({ left: null, top: 0 });
});

test("of what is no destination nothing is read but its page", () => {
  for (const odd of [[], [PAGE], [PAGE, null], [PAGE, { name: "constructor" }, 3], [PAGE, "XYZ", 1, 2]])
    expect(spotOf(odd)).toEqual({ left: null, top: null });
  expect(spotOf([PAGE, { name: "XYZ" }, "72", NaN])).toEqual({ left: null, top: null });
});

const item = (title: string, more: Partial<OutlineItem> = {}): OutlineItem => ({
  ...{ title, dest: title, url: null, items: [] },
  ...more,
});

test("an outline is read line by line, each as deep as it stands", () => {
  const lines = outlineLines([
    item("Water", { items: [item("Pools", { items: [item("Their\n  edges")] }), item("Ditches")] }),
    item("Part two", { dest: null, items: [item("Moss")] }),
    item("leads nowhere", { dest: null }),
    item("  "),
    item("The station", { dest: null, url: "https://station.example/" }),
    item("bad", { dest: null, url: "javascript:alert(1)" }),
  ]);
  expect(lines.map(({ title, depth }) => `${"-".repeat(depth)}${title}`)).toEqual([
    "Water",
    "-Pools",
    "--Their edges",
    "-Ditches",
    "Part two",
    "-Moss",
    "The station",
  ]);
  expect(lines.at(-1)).toMatchObject({ dest: null, address: "https://station.example/" });
});

test("a deep and endless outline comes to an end", () => {
  let deep = item("0");
  for (let i = 1; i < 50_000; i++) deep = item(String(i), { items: [deep] });
  const lines = outlineLines([deep], 100);
  expect(lines).toHaveLength(100);
  expect(lines.at(-1)).toMatchObject({ title: "49900", depth: 5 });
});

test("only addresses of the web and of letters are followed", () => {
  const followed = (address: string | null) => safeAddress(address) !== null;
  expect(["https://bog.example/a", "HTTP://bog.example", "mailto:ama@lantern.example"].every(followed)).toBe(
    true,
  );
  expect(
    ["javascript:alert(1)", "data:text/html,x", "file:///etc", "//bog.example", "/b", "", null].some(
      followed,
    ),
  ).toBe(false);
});
