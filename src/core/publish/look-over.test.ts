import { expect, test } from "vitest";
import { leadsOut, type Looked, lookOver } from "./look-over";

let ids = 0;
const item = (resource: Partial<Looked["resource"]> = {}, more: Partial<Looked> = {}): Looked => ({
  id: `p${++ids}`,
  collection: "c",
  look: "item",
  heading: "",
  context: "Because",
  resource: {
    id: `r${ids}`,
    kind: "page",
    title: "A title",
    description: "",
    address: "https://bog.example/",
    minutes: 10,
    file: null,
    licence: "",
    fetchState: "done",
    usedAt: new Date(0),
    duplicateOf: null,
    ...resource,
  },
  ...more,
});
type More = { aim?: number; level?: number; minutes?: number; closed?: { id: string; title: string }[] };
const kinds = (items: Looked[], { aim, level, minutes = 0, closed = [] }: More = {}) =>
  lookOver(
    {
      ...{ items, closed, minutes },
      collection: { id: "c", title: "C", aimMinutes: aim ?? null, aimLevel: level ?? null },
    },
    (address) => !address.includes("inside"),
  ).map(({ kind, placement }) => [kind, placement && items.findIndex((one) => one.id === placement)]);

test("a collection with nothing amiss has nothing to be noticed; text between the items has nothing that could be", () => {
  const text = item({ kind: "note", address: "", usedAt: null }, { look: "text", context: "" });
  expect(
    kinds([item(), text, item({ kind: "note", address: "" }, { context: "" })], {
      aim: 30,
      minutes: 30,
      level: 40,
    }),
  ).toEqual([]);
});

test("each thing a careful colleague would notice, where it is, the worst first", () => {
  const same = item();
  const items = [
    item({}, { context: " " }),
    item({ title: "https://bog.example/a?b=1" }),
    item({ title: "bog.example/a" }, { heading: "Ours" }),
    item({ fetchState: "failed" }),
    item({ fetchState: "waiting", usedAt: null }),
    item({ address: "http://inside/x" }),
    item({ kind: "picture" }),
    item({ file: "peat.pdf", address: "" }),
    item({ usedAt: null }),
    same,
    { ...same, id: "again" },
    item({ duplicateOf: same.resource.id }),
    // It may be handed on.
    item({ file: "ours.pdf", address: "", licence: "own" }),
  ];
  expect(kinds(items, { aim: 100, minutes: 101, closed: [{ id: "w", title: "Week 9" }] })).toEqual([
    ["dead", 3],
    ["private", 5],
    ["waiting", 4],
    ["closed", null],
    ["too-long", null],
    ["twice", 10],
    ["twice", 11],
    ["bare", 1],
    ["no-context", 0],
    ["no-alternative", 6],
    ["file", 7],
    ["unread", 8],
  ]);
});

test("what is in dispute, what was judged before it changed, and what nobody has judged where others are", () => {
  const items = (["in dispute", "old", "no", "agreed", "some"] as const).map((weighed) =>
    item({}, { weighed }),
  );
  const note = item({ kind: "note", address: "" }, { weighed: "no" });
  expect(kinds([...items, note])).toEqual([
    ["in-dispute", 0],
    ["judged-before", 1],
    ["unjudged", 2],
  ]);
});

test("pages that are there no more or otherwise than they were; what is a file here is here, whatever became of its page", () => {
  const items = [
    item({ fetchState: "failed" }, { became: "lost" }),
    item({}, { became: "other" }),
    item({}, {}),
  ];
  const kept = item({ file: "peat.pdf", licence: "own" }, { became: "lost" });
  expect(kinds([...items, kept])).toEqual([
    ["lost", 0],
    ["astray", 1],
  ]);
});

test("an address that only opens inside does not lead out", () => {
  const isPublic = (ip: string) => ip === "8.8.8.8";
  for (const address of ["http://localhost/", "http://moss/", "https://files.local/a", "http://10.0.0.1/", "http://[::1]/", "file:///home/a", "not an address", "http://wiki.internal./"])
    expect(leadsOut(address, isPublic), address).toBe(false);
  for (const address of ["https://bog.example/", "http://8.8.8.8/", "https://münchen.example/"])
    expect(leadsOut(address, isPublic), address).toBe(true);
}); // prettier-ignore

test("texts that are harder than they should be, and collections of a portfolio not everybody can open", () => {
  const items = [
    item({}, { lix: 41 }),
    item({}, { lix: 40 }),
    item({}, { lix: null }),
    // Nobody has to read what a portfolio leads to, and where it is found is known.
    item({ address: "http://inside/c/x", usedAt: null }, { leadsTo: "public" }),
    item({ address: "http://inside/c/y", usedAt: null }, { leadsTo: "closed" }),
  ];
  expect(kinds(items, { level: 40 })).toEqual([
    ["closed", 4],
    ["too-hard", 0],
  ]);
  expect(kinds(items.slice(0, 3))).toEqual([]);
});
