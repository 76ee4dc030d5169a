import { eq, sql } from "drizzle-orm";
import fc from "fast-check";
import { beforeAll, describe, expect, test } from "vitest";
import { weigh } from "@/core/search/weigh";
import { placement, resource, resourceText, termDue, termPosting, termStat } from "@/data/schema";
import { newId } from "@/outside/random";
import { database } from "@/services/action";
import { feedSome } from "@/services/find/feed";
import type { Problem } from "@/services/problem";
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
  });

  test("what is saved is found at once; what is changed, taken out or deleted is not any more", async () => {
    await as(world.editor, "resources.edit", { resource: ids.code!, title: "Logs of a windmill" });
    expect(await find("windmill")).toEqual(["code"]);
    expect(await find("covid-19")).toEqual([]);
    await as(world.editor, "tags.add", { resource: ids.code!, tags: ["energy"] });
    expect(await find("energy")).toEqual(["code"]);
    const { deed } = await as(world.editor, "resources.remove", { resource: ids.code! });
    expect(await find("windmill")).toEqual([]);
    await as(world.editor, "deeds.undo", { team: world.team, deed });
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
      const seen: string[] = [];
      let next: { id: string; score: number } | null = null;
      do {
        const page: { results: { id: string }[]; next: { id: string; score: number } | null } = await as(
          world2.viewer,
          "search.find",
          { team: world2.team, query, order, most: 7, ...(next && { after: next.id, score: next.score }) },
        );
        seen.push(...page.results.map((one) => one.id));
        next = page.next;
      } while (next);
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
    await as(world.viewer, "search.keep", mine);
    const fresh = async () =>
      (await as(world.viewer, "search.kept", { team: world.team })).searches.map((one) => one.fresh);
    expect(await fresh()).toEqual([0]);
    await as(world.editor, "capture.note", { team: world.team, text: "An otter at the east dam" });
    await feedAll();
    expect(await fresh()).toEqual([1]);
    const [search] = (await as(world.viewer, "search.kept", { team: world.team })).searches;
    await as(world.viewer, "search.look", { team: world.team, search: search!.id });
    expect(await fresh()).toEqual([0]);
    expect((await as(world.editor, "search.kept", { team: world.team })).searches).toEqual([]);
  });
});

test("fed by four at once while things change, the index is what the words are", async () => {
  const busy = await makeWorld();
  const made: string[] = [];
  for (let i = 0; i < 12; i++)
    made.push(
      (await as(busy.editor, "capture.note", { team: busy.team, text: `Note ${i} about peat` })).resource.id,
    );
  await Promise.all([
    ...[0, 1, 2, 3].map(async () => {
      for (let i = 0; i < 12; i++) await feedSome(busy.team, 4);
    }),
    ...[0, 1].map(async (n) => {
      for (let i = 0; i < 20; i++)
        await as(busy.editor, "resources.edit", {
          resource: made[(i * 5 + n) % 12]!,
          title: `Title ${i} of ${n} with rain`,
        }).catch((error: Problem) => {
          // What is in the bin by then cannot be changed.
          if (error.kind !== "not-found") throw error;
        });
    }),
    (async () => {
      for (let i = 0; i < 6; i++) await as(busy.editor, "resources.remove", { resource: made[i]! });
    })(),
  ]);
  while ((await feedSome(busy.team)) > 0);
  expect(await database().select().from(termDue).where(eq(termDue.team, busy.team))).toEqual([]);
  // Every posting is what the words of a living resource weigh now, and the counts are the postings'.
  const postings = await database().select().from(termPosting).where(eq(termPosting.team, busy.team));
  const living = await database()
    .select()
    .from(resource)
    .where(sql`${resource.team} = ${busy.team} and ${resource.deletedAt} is null`);
  const expected = new Map<string, number>();
  for (const row of living) {
    const places = await database().select().from(placement).where(eq(placement.resource, row.id));
    for (const { term, weight } of weigh({
      title: row.title,
      tags: [],
      contexts: places.flatMap((one) => [one.heading, one.context].filter(Boolean)),
      description: row.description,
      source: [row.siteName, row.host, ...row.authors].filter(Boolean),
      text: "",
      language: row.language,
    }))
      expected.set(`${row.id} ${term}`, weight);
  }
  expect(new Map(postings.map((row) => [`${row.resource} ${row.term}`, row.weight]))).toEqual(expected);
  const counts = new Map<string, number>();
  for (const { term } of postings) counts.set(term, (counts.get(term) ?? 0) + 1);
  counts.set("", living.length);
  const stats = await database().select().from(termStat).where(eq(termStat.team, busy.team));
  expect(new Map(stats.map((row) => [row.term, row.df]))).toEqual(counts);
});
