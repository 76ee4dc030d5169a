import fc from "fast-check";
import { beforeAll, expect, test } from "vitest";
import { groupBy } from "@/core/list/group-by";
import { KINDS } from "@/core/page/facts";
import type { Hit } from "@/core/search/rank";
import { mark, placement, resource, resourceTag, tag } from "@/data/schema";
import { reindexResources } from "@/data/search/reindex-queue";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { blank } from "@/services/resources/blank";
import { Asked } from "@/services/search/asked";
import { feedSome } from "@/services/search/feed";
import { everyPage } from "./every-page";
import { as, makeWorld, type World } from "./world";

/*
 * Whatever is asked for, the search and its counts say what a plain look at every resource says. The words are their
 * own stems and none begins like another, so that the plain look needs no index.
 */
const WORDS = ["alder", "birch", "cotton", "dam", "frost", "gull", "heron"];
const TAGS = ["sound walk", "winter", "plants"];
const SITES = ["bog.example", "ridge.example", "www.hut.example"];
const MONTHS = ["2026-01-15", "2026-02-03", "2026-03-09", "2026-03-28"];
const MINUTES = [null, 3, 5, 12, 40, 90];
const MARKS: Mark[] = [
  { by: "editor", private: true, meant: true, gone: false },
  { by: "viewer", private: true, meant: false, gone: false },
  { by: "editor", private: false, meant: true, gone: true },
  { by: "viewer", private: false, meant: true, gone: false },
  { by: "editor", private: false, meant: false, gone: false },
  { by: "editor", private: true, meant: false, gone: false },
  { by: "editor", private: false, meant: true, gone: false },
];

type Row = {
  id: string;
  words: string[];
  tags: string[];
  kind: (typeof KINDS)[number];
  host: string;
  minutes: number | null;
  day: string;
  by: "editor" | "contributor";
  place: "outer" | "inner" | null;
  dead: boolean;
  pictured: boolean;
  marks: Mark[];
};
type Mark = { by: "editor" | "viewer"; private: boolean; meant: boolean; gone: boolean };
let world: World;
let rows: Row[];

/** The same in every run, and as mixed as random. */
const pick = <T>(list: readonly T[], n: number): T => list[(n * 2_654_435_761) % list.length]!;
const some = <T>(list: readonly T[], n: number): T[] => list.filter((_, i) => (n * 31 + i * 17) % 5 < 2);

beforeAll(async () => {
  world = await makeWorld();
  await as(world.owner, "resources.remove", { resource: world.resource });
  const { collection: outer } = await as(world.editor, "collections.make", {
    team: world.team,
    title: "Wet ground",
  });
  const { collection: inner } = await as(world.editor, "collections.make", {
    team: world.team,
    title: "Pools",
    parent: outer.id,
  });
  rows = Array.from({ length: 122 }, (_, n) => ({
    id: newId(),
    words: some(WORDS, n),
    tags: n % 6 === 0 ? [] : some(TAGS, n + 3),
    kind: pick(KINDS, n),
    host: pick(SITES, n * 7 + 1),
    minutes: pick(MINUTES, n * 5 + 2),
    day: pick(MONTHS, n * 3),
    by: pick(["editor", "contributor"] as const, n * 11 + 5),
    place: pick([null, "outer", "inner"] as const, n * 13 + 1),
    dead: n % 9 === 0,
    pictured: n % 4 === 1,
    marks: n % 7 === 3 ? [] : some(MARKS, n * 3 + 2),
  }));
  const at = new Date();
  const tags = TAGS.map((name) => ({ id: newId(), team: world.team, name, key: name, createdAt: at }));
  await database().insert(tag).values(tags);
  await database()
    .insert(resource)
    .values(
      rows.map((row) => ({
        ...blank(row.id, `https://${row.host}/${row.id}`, row.host),
        team: world.team,
        addressHash: row.id,
        kind: row.kind,
        title: row.words.join(" ") || "nothing",
        minutes: row.minutes,
        pictureHash: row.pictured ? row.id.replaceAll("-", "") : null,
        fetchState: row.dead ? ("failed" as const) : ("done" as const),
        addedBy: world[row.by].person!.id,
        createdAt: new Date(`${row.day}T12:00:00Z`),
        updatedAt: at,
      })),
    );
  await database()
    .insert(resourceTag)
    .values(
      rows.flatMap((row) =>
        row.tags.map((name) => ({
          id: newId(),
          team: world.team,
          resource: row.id,
          tag: tags.find((one) => one.name === name)!.id,
          createdAt: at,
        })),
      ),
    );
  await database()
    .insert(placement)
    .values(
      rows.flatMap(({ id, place }, n) =>
        place
          ? [
              {
                id: newId(),
                team: world.team,
                collection: place === "outer" ? outer.id : inner.id,
                resource: id,
                position: `a${String(n).padStart(4, "0")}`,
                context: "",
                addedBy: world.editor.person!.id,
                createdAt: at,
                updatedAt: at,
              },
            ]
          : [],
      ),
    );
  const { meaning: doubt } = await as(world.editor, "meanings.save", { team: world.team, name: "doubt" });
  await database()
    .insert(mark)
    .values(
      rows.flatMap(({ id, marks }) =>
        marks.map((one) => ({
          ...{ id: newId(), team: world.team, resource: id, person: world[one.by].person!.id },
          ...{ private: one.private, meaning: one.meant ? doubt.id : null },
          ...{ quote: "marked", prefix: "", suffix: "", note: "", createdAt: at, updatedAt: at },
          deletedAt: one.gone ? at : null,
        })),
      ),
    );
  await reindexResources(
    database(),
    rows.map((row) => row.id),
  );
  // The last two, one of them with tags, are in the bin.
  for (const { id } of rows.splice(-2)) await as(world.editor, "resources.remove", { resource: id });
  while ((await feedSome(world.team)) > 0);
});
/** A condition as it is typed, and as a plain look. */
type Condition = [typed: string, fits: (row: Row) => boolean];
/** Who looks is a viewer. */
const seen = ({ marks }: Row) => marks.filter((one) => !one.gone && (!one.private || one.by === "viewer"));
const quoted = (name: string) => (name.includes(" ") ? `"${name}"` : name);
const CONDITIONS: Condition[] = [
  ...WORDS.map((word): Condition => [word, (row) => row.words.includes(word)]),
  ...WORDS.map((word): Condition => [`-${word}`, (row) => !row.words.includes(word)]),
  ...TAGS.map((name): Condition => [`tag:${quoted(name)}`, (row) => row.tags.includes(name)]),
  ...KINDS.map((kind): Condition => [`kind:${kind}`, (row) => row.kind === kind]),
  ...SITES.map((host): Condition => [`site:${host.replace("www.", "")}`, (row) => row.host === host]),
  ["by:editor", (row) => row.by === "editor"],
  ["by:contrib", (row) => row.by === "contributor"],
  ["in:wet", (row) => row.place !== null],
  ["in:pools", (row) => row.place === "inner"],
  ["added:2026-03", (row) => row.day.startsWith("2026-03")],
  ["added:<2026-02-03", (row) => row.day < "2026-02-03"],
  ["added:>2026-02", (row) => row.day > "2026-02-28"],
  ["added:2026-02..2026-03-09", (row) => row.day >= "2026-02-01" && row.day <= "2026-03-09"],
  ["length:<12", (row) => row.minutes !== null && row.minutes < 12],
  ["length:>12", (row) => row.minutes !== null && row.minutes > 12],
  ["length:5-40", (row) => row.minutes !== null && row.minutes >= 5 && row.minutes <= 40],
  ["length:5..40", (row) => row.minutes !== null && row.minutes >= 5 && row.minutes <= 40],
  ["is:untagged", (row) => !row.tags.length],
  ["is:unplaced", (row) => row.place === null],
  ["is:dead", (row) => row.dead],
  ["is:unpictured", (row) => !row.pictured],
  ["marked:any", (row) => seen(row).length > 0],
  ["marked:me", (row) => seen(row).some((one) => one.by === "viewer")],
  ["marked:doubt", (row) => seen(row).some((one) => one.meant)],
];
/** Several wishes of marks may be fulfilled by different ones. */
const MARKED = CONDITIONS.slice(-3);
/** Several of one name are alternatives for sites, kinds and people; of tags, words and states all must fit. */
const ALTERNATIVE = /^(site|kind|by|in):/;
const SPAN = /^(added|length):/;

function fitting(conditions: readonly Condition[]): Row[] {
  const groups = groupBy(conditions, ([typed]) => ALTERNATIVE.exec(typed)?.[1] ?? typed);
  return rows.filter((row) => [...groups.values()].every((group) => group.some(([, fits]) => fits(row))));
}

const conditions = fc.uniqueArray(fc.constantFrom(...CONDITIONS), {
  minLength: 1,
  maxLength: 4,
  selector: ([typed]) => SPAN.exec(typed)?.[1] ?? typed,
});

test("any combination of words and filters finds what a look at every resource finds, newest first", async () => {
  let full = 0;
  await fc.assert(
    fc.asyncProperty(conditions, async (all) => {
      const query = `${all.map(([typed]) => typed).join(" ")} `;
      const expected = fitting(all)
        .map((row) => row.id)
        .sort()
        .reverse();
      const found = (order: "best" | "newest") =>
        everyPage(world.viewer, { team: world.team, query, order, most: 20 });
      expect(await found("newest"), query).toEqual(expected);
      expect((await found("best")).sort().reverse(), query).toEqual(expected);
      full += Number(expected.length > 0);
    }),
    { numRuns: 120, examples: [[MARKED]] },
  );
  expect(full).toBeGreaterThan(30);
});

test("however many are looked at at a time, and whether the filters or the words let fewer through, it is the same", async () => {
  const seen = { filters: 0, words: 0 };
  const word = fc.constantFrom(...CONDITIONS.slice(0, WORDS.length));
  await fc.assert(
    fc.asyncProperty(
      word,
      conditions,
      fc.record({
        first: fc.integer({ min: 1, max: 6 }),
        step: fc.integer({ min: 1, max: 40 }),
        far: fc.nat({ max: 30 }),
        few: fc.nat({ max: 90 }),
      }),
      fc.constantFrom("best" as const, "newest" as const),
      async (one, more, limits, order) => {
        const query = `${[one, ...more].map(([typed]) => typed).join(" ")} `;
        const expected = fitting([one, ...more.filter((other) => other !== one)]).map((row) => row.id);
        const asked = await Asked.of(database(), world.team, query, world.viewer.person!.id, limits);
        const found: Hit[] = [];
        for (;;) {
          const { hits, total } = await asked.page(order, found.at(-1) ?? null, 5, { counted: 9 });
          expect(total, query).toBe(Math.min(9, expected.length - found.length));
          found.push(...hits);
          if (hits.length < 5) break;
        }
        expect(found.map((hit) => hit.id).sort(), query).toEqual(expected.toSorted());
        const isBefore = (a: Hit, b: Hit) =>
          order === "best" && a.score !== b.score ? a.score > b.score : a.id > b.id;
        found.slice(1).forEach((hit, i) => expect(isBefore(found[i]!, hit), query).toBe(true));
        if (expected.length > limits.step) seen[expected.length > limits.few ? "words" : "filters"]++;
      },
    ),
    { numRuns: 80, examples: [[CONDITIONS[0]!, MARKED, { first: 1, step: 1, far: 0, few: 90 }, "newest"]] },
  );
  expect(Math.min(...Object.values(seen))).toBeGreaterThan(2);
});

async function expectCounts(query: string, among: readonly Row[]): Promise<void> {
  const { facets } = await as(world.viewer, "search.facets", { team: world.team, query });
  const counted = (values: readonly string[]) =>
    Object.fromEntries([...groupBy(values, String)].map(([value, list]) => [value, list.length]));
  const said = (list: { value: string; count: number }[]) =>
    Object.fromEntries(list.filter((one) => one.count > 0).map((one) => [one.value, one.count]));
  const lengthOf = ({ minutes }: Row) =>
    minutes === null
      ? []
      : minutes <= 5
        ? ["0-5"]
        : minutes <= 15
          ? ["6-15"]
          : minutes <= 60
            ? ["31-60"]
            : [">60"];
  expect(said(facets.kinds), query).toEqual(counted(among.map((row) => row.kind)));
  expect(said(facets.sites), query).toEqual(counted(among.map((row) => row.host)));
  expect(said(facets.tags), query).toEqual(counted(among.flatMap((row) => row.tags)));
  expect(said(facets.people), query).toEqual(counted(among.map((row) => row.by)));
  expect(said(facets.months), query).toEqual(counted(among.map((row) => row.day.slice(0, 7))));
  expect(said(facets.lengths), query).toEqual(counted(among.flatMap(lengthOf)));
  expect(said(facets.states), query).toEqual(
    counted(
      among.flatMap((row) => [
        ...(row.tags.length ? [] : ["untagged"]),
        ...(row.place ? [] : ["unplaced"]),
        ...(row.pictured ? [] : ["unpictured"]),
        ...(row.dead ? ["dead"] : []),
      ]),
    ),
  );
}

test("the counts to narrow by are those of what is found, and of everything", async () => {
  await expectCounts("", rows);
  // The Tags page says the same: what lies in the bin is no use of a tag.
  const { tags } = await as(world.viewer, "tags.tend", { team: world.team });
  for (const { name, count } of tags)
    expect(count, name).toBe(rows.filter((row) => row.tags.includes(name)).length);
  await fc.assert(
    fc.asyncProperty(conditions, (all) =>
      expectCounts(`${all.map(([typed]) => typed).join(" ")} `, fitting(all)),
    ),
    { numRuns: 60 },
  );
});

test("what is marked while much else waits to be fed is found among the words at once, as when all is fed", async () => {
  const fresh = rows.filter((row) => !row.marks.length).slice(0, 8);
  const at = new Date();
  const made: Mark = { by: "viewer", private: true, meant: false, gone: false };
  await database()
    .insert(mark)
    .values(
      fresh.map(({ id }) => ({
        ...{ id: newId(), team: world.team, resource: id, person: world.viewer.person!.id, private: true },
        ...{ quote: "", prefix: "", suffix: "", note: "", createdAt: at, updatedAt: at },
      })),
    );
  for (const row of fresh) row.marks.push(made);
  await reindexResources(
    database(),
    fresh.map((row) => row.id),
  );
  const word = CONDITIONS.find(([, fits]) => fresh.some(fits))!;
  const query = `${word[0]} marked:any `;
  const found = () => everyPage(world.viewer, { team: world.team, query, order: "newest", most: 20 });
  const expected = fitting([word, MARKED[0]!]).map((row) => row.id);
  expect((await found()).sort()).toEqual(expected.toSorted());
  while ((await feedSome(world.team)) > 0);
  expect((await found()).sort()).toEqual(expected.toSorted());
});
