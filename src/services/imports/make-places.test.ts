import { afterAll, beforeEach, expect, test, vi } from "vitest";
import type { ImportRow } from "@/data/queries/imports";

const there = vi.hoisted(() => ({
  tree: [] as { id: string; parent: string | null; title: string; position: string }[],
  sections: [] as { id: string; collection: string; title: string; position: string }[],
  written: null as unknown,
}));
vi.mock("@/data/queries/collections", () => ({ lockTeam: async () => undefined }));
vi.mock("@/data/queries/imports", () => ({
  treeOf: async () => there.tree,
  writeImport: async (_: unknown, __: string, fields: unknown) => void (there.written = fields),
}));
vi.mock("@/data/queries/sections", () => ({
  sectionsIn: async (_: unknown, ids: string[]) =>
    there.sections.filter((one) => ids.includes(one.collection)),
}));
const lastBy = <Row extends { position: string }>(rows: Row[], of: (row: Row) => string) =>
  new Map(
    rows
      .toSorted((a, b) => (a.position < b.position ? -1 : 1))
      .map((row) => [of(row), row.position] as const),
  );
vi.mock("@/data/queries/order", () => ({
  lastCollectionKeys: async () => lastBy(there.tree, (one) => one.parent ?? ""),
  lastSectionKeys: async () => lastBy(there.sections, (one) => one.collection),
}));
const { makePlaces, spotOf } = await import("./make-places");
afterAll(() => void vi.resetModules());

type Made = { id: string; title: string; parent?: string | null; collection?: string; position: string };
let made: Record<string, Made[]>;
const set = {
  at: new Date("2026-05-01T12:00:00Z"),
  add: async (entity: string, rows: Made[]) => void (made[entity] = rows),
};
const run = (row: Partial<ImportRow>) =>
  makePlaces(
    null as never,
    set as never,
    { id: "i", team: "moss", into: null, section: null, ...row } as ImportRow,
  );
const place = (title: string, parent: number | null, section = false) =>
  ({ title, parent, section, description: "", addedAt: null }) as unknown as ImportRow["places"][number];

beforeEach(() => {
  made = {};
  Object.assign(there, { tree: [], sections: [], written: null });
});

const course = [place("Course", null), place("Unit", 0), place("Week 1", 1, true), place("Week 2", 1, true)];

test("places are made in one another, in their order, and it is written down which were made", async () => {
  const standing = await run({ places: course });
  const [outer, inner] = made.collection!;
  expect([outer!.title, outer!.parent, inner!.title, inner!.parent]).toEqual([
    "Course",
    null,
    "Unit",
    outer!.id,
  ]);
  expect(made.section!.map((one) => [one.title, one.collection])).toEqual([
    ["Week 1", inner!.id],
    ["Week 2", inner!.id],
  ]);
  expect(made.section![0]!.position < made.section![1]!.position).toBe(true);
  expect(standing.map(({ section, made }) => [section, made])).toEqual([
    [false, true],
    [false, true],
    [true, true],
    [true, true],
  ]);
  expect(there.written).toMatchObject({ standing });
});

test("the same file a second time makes nothing", async () => {
  there.tree = [
    { id: "c", parent: null, title: "Course", position: "a0" },
    { id: "u", parent: "c", title: "Unit", position: "a0" },
    // Of the same name, but elsewhere.
    { id: "x", parent: null, title: "Unit", position: "a1" },
  ];
  there.sections = ["Week 1", "Week 2"].map((title, i) => ({
    id: `w${i}`,
    collection: "u",
    title,
    position: `a${i}`,
  }));
  const standing = await run({ places: course });
  expect(standing.map(({ id, made }) => [id, made])).toEqual([
    ["c", false],
    ["u", false],
    ["w0", false],
    ["w1", false],
  ]);
  expect([made.collection, made.section]).toEqual([[], []]);
});

test("what is new goes behind what stands there; a name that comes twice in the file is one place", async () => {
  there.tree = [{ id: "old", parent: null, title: "Old", position: "a5" }];
  const standing = await run({ places: [place("New", null), place("New", null), place("Other", null)] });
  expect(made.collection!.map(({ title }) => title)).toEqual(["New", "Other"]);
  expect(standing[0]!.id).toBe(standing[1]!.id);
  const positions = ["a5", ...made.collection!.map(({ position }) => position)];
  expect(positions).toEqual(positions.toSorted());
});

test("a collection that was deleted meanwhile takes nothing with it: what is made stands at the top", async () => {
  await run({ places: [place("New", null)], into: "gone" });
  expect(made.collection![0]!.parent).toBeNull();
});

test("a line goes to its place: a collection, a section of one, the one that was open, or the Tray", () => {
  const standing = [
    { id: "c", section: false, made: true },
    { id: "w", section: true, made: true },
    { id: "top", section: true, made: true },
  ];
  const row = {
    places: [place("Course", null), place("Week 1", 0, true), place("Loose", null, true)],
    into: "open",
    section: "here",
  };
  expect(spotOf(row, standing, 0)).toEqual({ collection: "c", section: null });
  expect(spotOf(row, standing, 1)).toEqual({ collection: "c", section: "w" });
  expect(spotOf(row, standing, 2)).toEqual({ collection: "open", section: "top" });
  expect(spotOf(row, standing, null)).toEqual({ collection: "open", section: "here" });
  expect(spotOf({ ...row, into: null }, standing, null)).toBeNull();
});
