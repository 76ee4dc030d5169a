import { afterAll, beforeEach, expect, test, vi } from "vitest";
import type { Change } from "@/core/history/change";
import { ChangeSet } from "./change-set";

const { asked, note, home, placement, since } = vi.hoisted(() => {
  /** What somebody else has changed, and is seen once it is locked. */
  const since = new Map<string, Record<string, unknown>>();
  /** Everything the database was asked to do, in order. */
  const asked: unknown[][] = [];
  const note =
    (what: string) =>
    async (...rest: unknown[]) =>
      void asked.push([what, ...rest.slice(1)]);

  const home = (change: Change) =>
    (change.after?.collection ?? change.before?.collection ?? "home") as string;
  const placement = {
    idOf: ({ id }: { id: string }) => id,
    present: () => ({ gone: false }),
    absent: { gone: true },
    placeOf: ({ collection }: { collection: string }) => ({ collection }),
    subjectOf: (id: string) => id,
    insert: note("insert"),
    read: async () => (asked.push(["read"]), since),
    verbs: {
      added: "placements.add",
      removed: "placements.remove",
      restored: "bin.restore-placement",
      changed: (names: readonly string[]) =>
        names.includes("collection") ? "placements.move" : "placements.edit",
    },
    heardIn: async () => (change: Change) => [
      ...new Set([change.before?.collection as string | undefined, home(change)].filter(Boolean)),
    ],
  };
  return { asked, note, home, placement, since };
});

vi.mock("@/data/entities", () => ({
  entityOf: () => placement,
  writeChanges: note("write"),
  collectionsSeeing: async (_: unknown, changes: Change[]) => changes.map(home),
}));
vi.mock("@/data/queries/collections", () => ({
  touchCollections: note("count"),
  lockCollections: note("lock"),
}));
vi.mock("@/data/queries/listings", () => ({ noteListings: async () => undefined }));
vi.mock("@/data/queries/events", () => ({ writeEvents: note("events") }));
vi.mock("@/data/queries/history", () => ({ addHistoryEntry: note("history") }));
vi.mock("@/data/queries/jobs", () => ({ addJobs: note("jobs") }));

const begin = () => new ChangeSet({} as never, { team: "team", person: "ama" });
const what = () => asked.map(([one]) => one);
const events = () =>
  (
    asked.find(([one]) => one === "events")![1] as { verb: string; subject: string; collection: string }[]
  ).map(({ verb, subject, collection }) => [verb, subject, collection]);
const entry = () => asked.find(([one]) => one === "history")?.[1] as { changes: Change[]; words: string };

const item = { id: "a", collection: "here", heading: "One", context: "" };

// Other files of this process are to get the real ones.
afterAll(() => vi.resetModules());
beforeEach(() => {
  asked.length = 0;
  since.clear();
});

test("one verb counts, writes, tells and keeps for undo; what is counted is locked before it is written", async () => {
  const set = begin();
  await set.change("placement", item, { heading: "Two" });
  await set.finish({ words: "write a heading", ability: "arrange" });
  expect(what()).toEqual(["lock", "read", "count", "write", "jobs", "events", "history"]);
  expect(events()).toEqual([["placements.edit", "a", "home"]]);
  expect(entry().changes).toEqual([
    { type: "placement", id: "a", before: { heading: "One" }, after: { heading: "Two" } },
  ]);
});

test("what differs is decided on what is there once it is locked, not on what was read before", async () => {
  const set = begin();
  since.set("a", { collection: "elsewhere", section: "s", context: "Theirs" });
  await set.change(
    "placement",
    { ...item, section: null },
    { collection: "there", section: null, context: "Mine" },
  );
  await set.finish({ words: "move an item", ability: "arrange" });
  expect(entry().changes).toMatchObject([
    {
      before: { collection: "elsewhere", section: "s", context: "Theirs" },
      after: { collection: "there", section: null, context: "Mine" },
    },
  ]);
});

test("what somebody else has done already meanwhile is neither counted nor told", async () => {
  const set = begin();
  since.set("a", { heading: "Two" });
  await set.change("placement", item, { heading: "Two" });
  expect(await set.finish({ words: "write a heading", ability: "arrange" })).toBeNull();
  expect(what()).toEqual(["lock", "read", "jobs", "events"]);
});

test("a change that changes nothing asks nothing of the database, and leaves nothing to take back", async () => {
  const set = begin();
  await set.change("placement", item, { heading: "One", context: undefined });
  expect(await set.finish({ words: "write a heading", ability: "arrange" })).toBeNull();
  expect(what()).toEqual(["jobs", "events"]);
});

test("what is new is told where it stands, and taken back by putting it into the bin", async () => {
  const set = begin();
  await set.add("placement", { ...item, team: "team" } as never);
  await set.finish({ words: "place an item", ability: "bring" });
  expect(events()).toEqual([["placements.add", "a", "here"]]);
  expect(entry().changes).toEqual([
    { type: "placement", id: "a", before: { gone: true }, after: { gone: false } },
  ]);
});

test("what goes over to another collection is told in both, as gone where it was", async () => {
  const set = begin();
  await set.change("placement", item, { collection: "there" });
  await set.finish(null);
  expect(events()).toEqual([
    ["placements.remove", "a", "here"],
    ["placements.move", "a", "there"],
  ]);
});

test("a collection is counted once, however much changes in it; several are locked in one order", async () => {
  const set = begin();
  const rows = ["c", "a", "b"].map((collection, i) => ({ id: `${i}`, collection, heading: "" }));
  await set.change("placement", rows, (row) => ({ collection: `${row.collection}2` }));
  await set.count(["a2", "z"]);
  const counted = asked.filter(([one]) => one === "count").map(([, ids]) => ids);
  expect(counted).toEqual([["a2", "b2", "c2"], ["z"]]);
});

test("what goes along is neither told nor taken back; what is for good is told", async () => {
  const set = begin();
  await set.add("placement", item as never, { along: true });
  await set.change("placement", item, { heading: "Two" }, { forGood: true, verb: "resources.filled" });
  expect(await set.finish({ words: "x", ability: "arrange" })).toBeNull();
  expect(events()).toEqual([["resources.filled", "a", "home"]]);
});

test("the same thing said twice of one place is said once; what was told before a way back is forgotten", async () => {
  const set = begin();
  await set.change("placement", item, { heading: "Two" });
  set.forget();
  set.emit({ verb: "tags.edit", subject: "t" });
  set.emit({ verb: "tags.edit", subject: "t" });
  await set.finish(null);
  expect(events()).toEqual([["tags.edit", "t", null]]);
});
