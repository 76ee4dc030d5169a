import { expect, test } from "vitest";
import {
  asPreview,
  countAddresses,
  editLine,
  markKnown,
  type PreviewLine,
  readyLines,
  wrongLine,
} from "./preview-line";

const line = (address: string, more: object = {}): PreviewLine => ({
  ...asPreview({ ...wrongLine(address) }, "right"),
  ...more,
});
const seen = ({ state, resource, out }: PreviewLine) => ({ state, resource, out });

test("a slip stays out until it is mended, and then comes in; broken again, it stays out", () => {
  let lines = [line("https://bog.example"), wrongLine("htp://slip")];
  expect(lines.map(seen)[1]).toEqual({ state: "wrong", resource: null, out: true });
  lines = editLine(lines, 1, { address: "http://slip.example" });
  expect(lines.map(seen)[1]).toEqual({ state: "new", resource: null, out: false });
  lines = editLine(lines, 1, { address: "slip" });
  expect(lines.map(seen)[1]).toEqual({ state: "wrong", resource: null, out: true });
});

test("other words leave the line what it is, and the other lines alone", () => {
  const lines = [line("https://a.example", { state: "known", resource: "a" }), line("https://b.example")];
  const edited = editLine(lines, 0, { title: "A", out: true });
  expect(edited[0]).toMatchObject({ title: "A", state: "known", resource: "a", out: true });
  expect(edited[1]).toBe(lines[1]);
});

test("what is here already is marked, but not a line that was changed while it was asked for", () => {
  const asked = ["https://a.example", "https://b.example", "slip"];
  let lines = [line(asked[0]!), line(asked[1]!), wrongLine(asked[2]!)];
  lines = editLine(lines, 1, { address: "https://other.example" });
  expect(markKnown(lines, asked, ["a", "b", "c"]).map(seen)).toEqual([
    { state: "known", resource: "a", out: false },
    { state: "new", resource: null, out: false },
    { state: "wrong", resource: null, out: true },
  ]);
});

test("lines go as they were read: left out on purpose is noted, a slip comes back to be mended", () => {
  const lines = [line("https://a.example", { place: 1, out: true }), { ...wrongLine("slip"), place: 0 }];
  const ready = readyLines(lines, [null, 3]);
  expect(ready.map(({ address, place }) => [address, place])).toEqual([
    ["https://a.example", 3],
    ["slip", null],
  ]);
  expect(ready[0]).toHaveProperty("out", true);
  for (const name of ["state", "resource"]) expect(ready[0]).not.toHaveProperty(name);
  expect(ready[1]).not.toHaveProperty("out");
});

test("what stands in two folders is one address", () => {
  const again = asPreview({ ...wrongLine("https://a.example") }, "again");
  const lines = [line("https://a.example"), again, wrongLine("slip")];
  expect(countAddresses(lines)).toEqual({ new: 1, known: 0, wrong: 1, again: 1 });
  expect(countAddresses(editLine(lines, 1, { address: "https://b.example" })).new).toBe(2);
});
