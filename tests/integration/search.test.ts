import { eq } from "drizzle-orm";
import fc from "fast-check";
import { beforeAll, describe, expect, test } from "vitest";
import { resource, resourceText } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { publishedCollection } from "@/services/reader/published-collection";
import { feedSome } from "@/services/search/feed";
import { everyPage } from "./every-page";
import { as, makeWorld, type World } from "./world";

let world: World;
const ids: Record<string, string> = {};

/** Feeds until nothing is due. */
async function feedAll(): Promise<void> {
  while ((await feedSome(world.team)) > 0);
}
async function keep(name: string, title: string, text = "", language = "en"): Promise<void> {
  const { resource: made } = await as(world.editor, "capture.address", {
    team: world.team,
    address: `https://${name}.example/${newId()}`,
  });
  await as(world.editor, "resources.edit", { resource: made.id, title });
  await database().update(resource).set({ language }).where(eq(resource.id, made.id));
  if (text)
    await database()
      .insert(resourceText)
      .values({ resource: made.id, html: "", text, signature: "", origin: "typed", at: new Date() });
  ids[name] = made.id;
}
const find = async (query: string, more: object = {}) =>
  (await as(world.viewer, "search.find", { team: world.team, query, ...more })).results.map(
    (one) => Object.entries(ids).find(([, id]) => id === one.id)?.[0] ?? one.id,
  );

beforeAll(async () => {
  world = await makeWorld();
  await keep(
    "dipwell",
    "What a dipwell tells you",
    `${"Rain falls. ".repeat(60)}The water table stood high in March.`,
  );
  await keep("mosses", "Four mosses you can tell by colour");
  await keep("schule", "Die Moore im Winter", "Das Wasser steht hoch.", "de");
  await keep("ecole", "Une école près de la tourbière", "", "fr");
  await keep("code", "Reading C++ and node.js logs from covid-19");
  await keep("japan", "泥炭地の水位");
  await keep("table", "A table of waters");
  const { item } = await as(world.editor, "placements.add", {
    collection: world.collection,
    resource: ids.mosses!,
    context: "Bring a hand lens and kneel down",
  }).then(async () => ({ item: null }));
  expect(item).toBeNull();
  await as(world.editor, "tags.add", { resource: ids.dipwell!, tags: ["field sheet", "measuring"] });
  await as(world.editor, "tags.add", { resource: ids.mosses!, tags: ["plants"] });
  await feedAll();
});

describe("found", () => {
  test.each([
    ["dipwell", ["dipwell"]],
    ["DIPW", ["dipwell"]],
    ["moss colours", ["mosses"]],
    ["kneel lens", ["mosses"]],
    ["water table", ["dipwell", "table"]],
    ['"water table"', ["dipwell"]],
    ["table -march", ["table"]],
    ["moor", ["schule"]],
    ["ecole tourbiere", ["ecole"]],
    ["c++", ["code"]],
    ["node.js", ["code"]],
    ["covid-19", ["code"]],
    ["covid", ["code"]],
    ["水位", ["japan"]],
    ["measuring", ["dipwell"]],
    ['tag:"field sheet"', ["dipwell"]],
    ["tag:plants mosses", ["mosses"]],
    ["site:japan.example", ["japan"]],
    ['in:"a collection" kneel', ["mosses"]],
    ["by:owner dipwell", []],
    ["by:editor dipwell", ["dipwell"]],
    ["added:>2999", []],
    ["nothing of the kind", []],
    // A blank behind it says that the last word is done.
    ["DIPW ", []],
    ["dipwell ", ["dipwell"]],
    ["lens knee ", []],
  ])("%s", async (query, expected) => expect((await find(query)).sort()).toEqual([...expected].sort()));

  test("the best first: a word of the title before one of the text; with the passage and the words marked", async () => {
    expect(await find("table")).toEqual(["table", "dipwell"]);
    const { results, total } = await as(world.viewer, "search.find", {
      team: world.team,
      query: "water table",
    });
    const first = results.find((one) => one.id === ids.dipwell)!;
    expect(first.passage!.marks.map(([a, b]) => first.passage!.text.slice(a, b))).toEqual(["water", "table"]);
    expect(total).toBe(2);
  });

  test("did you mean", async () => {
    const { meant } = await as(world.viewer, "search.find", { team: world.team, query: "dipwlel" });
    expect(meant).toBe("dipwell");
    const meantBy = async (query: string) =>
      (await as(world.viewer, "search.find", { team: world.team, query })).meant;
    expect(await meantBy("dipw ")).toBe("dipwell ");
    expect(await meantBy("dipw tells")).toBe("dipwell tells");
  });

  test("what is saved is found at once; what is changed, taken out or deleted is not any more", async () => {
    await as(world.editor, "resources.edit", { resource: ids.code!, title: "Logs of a windmill" });
    expect(await find("windmill")).toEqual(["code"]);
    expect(await find("covid-19")).toEqual([]);
    await as(world.editor, "tags.add", { resource: ids.code!, tags: ["energy"] });
    expect(await find("energy")).toEqual(["code"]);
    const { entry } = await as(world.editor, "resources.remove", { resource: ids.code! });
    expect(await find("windmill")).toEqual([]);
    await as(world.editor, "history.undo", { team: world.team, entry });
    expect(await find("windmill")).toEqual(["code"]);
    const { items } = await as(world.editor, "collections.read", { collection: world.collection });
    const there = items.find((item) => item.resource.id === ids.mosses)!;
    await as(world.editor, "placements.edit", { placement: there.id, context: "Look through a magnifier" });
    expect(await find("kneel")).toEqual([]);
    expect(await find("magnifier")).toEqual(["mosses"]);
    await as(world.editor, "placements.remove", { placement: there.id });
    expect(await find("magnifier")).toEqual([]);
    await as(world.editor, "bin.restore-placement", { placement: there.id });
    expect(await find("magnifier")).toEqual(["mosses"]);
  });

  test("notes are the team's: found with their passage, taken back in one step, on no reader's page", async () => {
    const at = { team: world.team, resource: ids.mosses! };
    await as(world.editor, "resources.edit", { resource: at.resource, notes: "Old: before the Whin sluice" });
    await as(world.editor, "resources.edit", {
      resource: at.resource,
      notes: "Ask Ines about the whin sluice",
    });
    const [found] = (await as(world.viewer, "search.find", { team: world.team, query: "whin" })).results;
    expect([found!.id, found!.passage!.text]).toEqual([ids.mosses, "Ask Ines about the whin sluice"]);
    const [last] = (await as(world.editor, "history.read", { team: world.team })).entries;
    await as(world.editor, "history.undo", { team: world.team, entry: last!.id });
    const { resource: full } = await as(world.viewer, "resources.read", { resource: at.resource });
    expect(full.notes).toBe("Old: before the Whin sluice");
    const page = await database().transaction((tx) => publishedCollection(tx, world.collection, null));
    expect(JSON.stringify(page)).toContain("Four mosses");
    expect(JSON.stringify(page)).not.toContain("Whin");
  });

  test("another team finds nothing of it", async () => {
    const other = await makeWorld();
    const { results } = await as(other.owner, "search.find", { team: other.team, query: "dipwell" });
    expect(results).toEqual([]);
  });

  test("odd input is no error", async () => {
    await fc.assert(
      fc.asyncProperty(fc.string({ maxLength: 40 }), async (query) => {
        await as(world.viewer, "search.find", { team: world.team, query });
      }),
      { numRuns: 60 },
    );
  });
});

describe("pages and lists", () => {
  test("pages by score and by time go through everything once", async () => {
    const world2 = await makeWorld();
    for (let i = 0; i < 30; i++)
      await as(world2.editor, "capture.note", {
        team: world2.team,
        text: `Heron number ${i} ${"heron ".repeat(i % 5)}`,
      });
    while ((await feedSome(world2.team)) > 0);
    for (const [query, order] of [
      ["heron", "best"],
      ["heron number", "best"],
      ["heron", "newest"],
      ["", "newest"],
      ["kind:note", "newest"],
    ] as const) {
      const seen = await everyPage(world2.viewer, { team: world2.team, query, order, most: 7 });
      expect(new Set(seen).size, query).toBe(seen.length);
      expect(seen.length, query).toBe(query === "" ? 31 : 30);
    }
  });

  test("facets count what is there, among what is found", async () => {
    const { facets } = await as(world.viewer, "search.facets", { team: world.team, query: "" });
    const states = Object.fromEntries(facets.states.map((one) => [one.value, one.count]));
    // Seven kept here and the one of the world's collection.
    expect(facets.kinds).toEqual([{ value: "page", words: "page", count: 8 }]);
    expect(states).toMatchObject({ untagged: 5, unplaced: 6 });
    const some = await as(world.viewer, "search.facets", { team: world.team, query: "dipwell" });
    expect(some.facets.tags.map((one) => [one.words, one.count])).toEqual([
      ["field sheet", 1],
      ["measuring", 1],
    ]);
    expect(await find("is:untagged -moor table")).toEqual(["table"]);
    expect((await find("is:unplaced")).length).toBe(6);
  });

  test("a search that is kept says what is new in it", async () => {
    const mine = { team: world.team, name: "Otters", query: "otter" };
    await as(world.viewer, "saved-searches.save", mine);
    const fresh = async () =>
      (await as(world.viewer, "saved-searches.read", { team: world.team })).searches.map((one) => one.fresh);
    expect(await fresh()).toEqual([0]);
    await as(world.editor, "capture.note", { team: world.team, text: "An otter at the east dam" });
    await feedAll();
    expect(await fresh()).toEqual([1]);
    const [search] = (await as(world.viewer, "saved-searches.read", { team: world.team })).searches;
    await as(world.viewer, "saved-searches.look", { team: world.team, search: search!.id });
    expect(await fresh()).toEqual([0]);
    expect((await as(world.editor, "saved-searches.read", { team: world.team })).searches).toEqual([]);
  });
});
