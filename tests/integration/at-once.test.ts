import fc from "fast-check";
import { sql } from "drizzle-orm";
import { expect, test } from "vitest";
import type { Change, EntityType, Fields } from "@/core/history/change";
import { nameOf, rewind } from "@/core/history/rewind";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import type { ActionName } from "@/services/registry";
import { countedOtherwise } from "./counted";
import { as, makeWorld, type World } from "./world";

type Row = Record<string, string | null>;
const rowsOf = async (query: ReturnType<typeof sql>): Promise<Row[]> =>
  ((await database().execute(query)) as unknown as [Row[]])[0];
const living = (rows: readonly Row[]) => rows.filter((row) => !row.gone);
const binned = (rows: readonly Row[]) => rows.filter((row) => row.gone);

/** Everything of a team that can be changed, living or in the bin. */
async function everything(team: string) {
  const collections = await rowsOf(sql`
    SELECT id, parent, deleted_at AS gone FROM collection WHERE team = ${team} ORDER BY id`);
  const sections = await rowsOf(sql`
    SELECT s.id, s.collection, s.deleted_at AS gone FROM section s JOIN collection c ON c.id = s.collection
    WHERE c.team = ${team} ORDER BY s.id`);
  const items = await rowsOf(sql`
    SELECT id, collection, section, deleted_at AS gone FROM placement WHERE team = ${team} ORDER BY id`);
  const things = await rowsOf(sql`
    SELECT id, deleted_at AS gone FROM resource WHERE team = ${team} ORDER BY id`);
  const tags = await rowsOf(sql`SELECT id, name FROM tag WHERE team = ${team} ORDER BY id`);
  return { collections, sections, items, things, tags };
}

/** What is wrong with a team: collections that are not in the tree, items that stand nowhere. */
async function faults(team: string): Promise<string[]> {
  const { collections, sections, items } = await everything(team);
  const there = new Map(living(collections).map((one) => [one.id, one]));
  const found: string[] = [];
  for (const start of there.values()) {
    const seen = new Set<string>();
    for (let one: Row | undefined = start; one?.parent; one = there.get(one.parent)) {
      if (seen.has(one.id!)) {
        found.push(`a ring at ${start.id}`);
        break;
      }
      seen.add(one.id!);
      if (!there.has(one.parent)) found.push(`${one.id} stands in what is in the bin`);
    }
  }
  const home = new Map(living(sections).map((one) => [one.id, one.collection]));
  for (const { id, collection, section } of living(items))
    if (section && home.get(section) !== collection) found.push(`item ${id} stands in no section`);
  return found;
}

/** What there is at the moment, and a choice among it. */
class Scene {
  private constructor(
    readonly team: string,
    readonly all: Awaited<ReturnType<typeof everything>>,
    private state: number,
  ) {}
  static async of(team: string, seed: number): Promise<Scene> {
    return new Scene(team, await everything(team), seed);
  }
  /** Lehmer's generator: the same choices again when a run that fails is made smaller. */
  below(n: number): number {
    return (this.state = (this.state * 48_271 + 11) % 2_147_483_647) % n;
  }
  /** One of them; undefined when there is none. */
  one = (rows: readonly Row[]): string | undefined => rows[rows.length ? this.below(rows.length) : 0]?.id ?? undefined;
  some = (rows: readonly Row[]): string[] => rows.filter(() => !this.below(3)).map((row) => row.id!).slice(0, 4);
  collection = () => this.one(living(this.all.collections));
  items = () => this.some(living(this.all.items));
  things = () => this.some(living(this.all.things));
  tag = () => this.one(this.all.tags);
  /** A place, mostly in a section that others may delete. */
  spot() {
    const collection = this.collection();
    const sections = living(this.all.sections).filter((row) => row.collection === collection);
    return { collection, section: this.one(sections) ?? null };
  }
} // prettier-ignore

/** Acts with what they are done to; what is undefined, or a list of nothing, was not there to do it to. */
type Acts = Record<string, (scene: Scene) => [name: ActionName, input: Record<string, unknown>]>;
const BACK: Acts = {
  undo: ({ team }) => ["history.undo", { team }],
  "undo again": ({ team }) => ["history.undo", { team }],
  redo: ({ team }) => ["history.redo", { team }],
};
const TREE: Acts = {
  make: (s) => ["collections.make", { team: s.team, title: "Made", parent: s.below(3) ? s.collection() : null }],
  "make another": (s) => ["collections.make", { team: s.team, title: "Made too", parent: null }],
  move: (s) => ["collections.move", { collection: s.collection(), parent: s.collection() }],
  "move again": (s) => ["collections.move", { collection: s.collection(), parent: s.collection() }],
  "move out": (s) => ["collections.move", { collection: s.collection(), parent: null }],
  remove: (s) => ["collections.remove", { collection: s.collection() }],
  restore: (s) => ["bin.restore-collection", { collection: s.one(binned(s.all.collections)) }],
  duplicate: (s) => [
    "collections.duplicate",
    { collection: s.all.collections.length < 12 ? s.collection() : undefined, items: !s.below(2) },
  ],
  "put away": (s) => ["collections.put-away", { collection: s.collection(), away: !s.below(2) }],
  "make a section": (s) => ["sections.make", { collection: s.collection(), title: "Part" }],
  "remove a section": (s) => ["sections.remove", { section: s.one(living(s.all.sections)) }],
  "restore a section": (s) => ["bin.restore-section", { section: s.one(binned(s.all.sections)) }],
  note: (s) => ["capture.note", { team: s.team, text: `Note ${newId()}`, ...s.spot() }],
  "move items": (s) => ["placements.move-many", { placements: s.items(), ...s.spot() }],
  "move more": (s) => ["placements.move-many", { placements: s.items(), ...s.spot() }],
  "move within": (s) => {
    const item = living(s.all.items)[0];
    const sections = living(s.all.sections).filter((row) => row.collection === item?.collection);
    return ["placements.move", { placement: item?.id, section: s.one(sections) ?? null }];
  },
  "copy an item": (s) => ["placements.copy-many", { placements: s.items().slice(0, 1), ids: [newId()], ...s.spot() }],
  "take out": (s) => ["placements.remove-many", { team: s.team, placements: s.items() }],
  "restore an item": (s) => ["bin.restore-placement", { placement: s.one(binned(s.all.items)) }],
}; // prettier-ignore
const NAMES = ["peat", "Peat core", "dam", "fen", "sedge"];
const THINGS: Acts = {
  note: TREE.note!,
  tag: (s) => ["tags.change", { team: s.team, resources: s.things(), add: [NAMES[s.below(5)], NAMES[s.below(5)]] }],
  "tag more": (s) => ["tags.change", { team: s.team, resources: s.things(), add: [NAMES[s.below(5)]] }],
  untag: (s) => ["tags.change", { team: s.team, resources: s.things(), remove: [NAMES[s.below(5)]] }],
  "tag a collection": (s) => ["collections.tag", { collection: s.collection(), tags: NAMES.slice(s.below(5)) }],
  rename: (s) => ["tags.rename", { tag: s.tag(), name: NAMES[s.below(5)] }],
  merge: (s) => ["tags.merge", { tag: s.tag(), others: s.some(s.all.tags) }],
  delete: (s) => ["tags.delete", { team: s.team, tags: s.some(s.all.tags) }],
  kind: (s) => ["resources.set-kind", { team: s.team, resources: s.things(), kind: s.below(2) ? "sound" : "page" }],
  mend: (s) => ["resources.edit", { resource: s.one(living(s.all.things)), title: `Title ${s.below(3)}` }],
  "delete things": (s) => ["resources.remove-many", { team: s.team, resources: s.things().slice(0, 2) }],
  "restore a thing": (s) => ["bin.restore-resource", { resource: s.one(binned(s.all.things)) }],
  "edit an item": (s) => ["placements.edit", { placement: s.items()[0], context: `Line ${s.below(3)}` }],
  place: (s) => ["placements.add", { resource: s.one(living(s.all.things)), placement: newId(), ...s.spot() }],
  tray: (s) => ["tray.set-many", { team: s.team, resources: s.things(), state: s.below(2) ? "away" : "waiting" }],
}; // prettier-ignore

const MERGE: Acts[string] = (s) => ["duplicates.merge", { resource: s.things()[0], gone: s.things()[0] }];

/** Does it; that it is not possible, or not any more, is said by a Problem and nothing else. */
async function perform(actor: Actor, [name, input]: [ActionName, object]): Promise<"done" | "refused"> {
  try {
    const answer = (await as(actor, name, input)) as { done?: boolean };
    return answer.done === false ? "refused" : "done";
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    return "refused";
  }
}
const isThere = (value: unknown) => value !== undefined && (!Array.isArray(value) || value.length > 0);

/** Two people do these acts to one team, so many at once; @returns how often which came out */
async function twoPeople(acts: Acts, width: number, runs: number, check: (world: World) => Promise<unknown[]>) {
  const seen = { done: 0, refused: 0, undone: 0 };
  const step = fc.record({
    act: fc.constantFrom(...Object.keys(acts)),
    who: fc.constantFrom("editor" as const, "owner" as const),
    seed: fc.nat(),
  });
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 12, maxLength: 40, size: "max" }), async (steps) => {
      const world = await makeWorld();
      const history: string[] = [];
      for (let i = 0; i < steps.length; i += width) {
        await Promise.all(
          steps.slice(i, i + width).map(async ({ act, who, seed }) => {
            const [name, input] = acts[act]!(await Scene.of(world.team, seed));
            if (!Object.values(input).every(isThere)) return;
            history.push(`${who}: ${name} ${JSON.stringify(input)}`);
            const outcome = await perform(world[who], [name, input]);
            seen[outcome]++;
            if (outcome === "done" && act in BACK) seen.undone++;
          }),
        );
        expect(await check(world), history.join("\n")).toEqual([]);
      }
    }),
    // At once, a smaller run need not fail again.
    { numRuns: runs, endOnFailure: width > 1 },
  );
  return seen;
} // prettier-ignore

test.each([
  ["one after the other", 1, 20],
  ["three at once", 3, 20],
])("whatever two people do to a tree, %s, everything stands somewhere", async (_, width, runs) => {
  const seen = await twoPeople({ ...TREE, ...BACK }, width, runs, async ({ team }) => [
    ...(await faults(team)),
    ...(await countedOtherwise(team)),
  ]);
  expect(Math.min(...Object.values(seen))).toBeGreaterThan(10);
});

test.each([
  ["one after the other", 1, 20],
  ["three at once", 3, 20],
])(
  "whatever two people do to things and tags, %s, nothing goes wrong and uses are counted right",
  async (_, width, runs) => {
    const seen = await twoPeople({ ...THINGS, ...BACK }, width, runs, async ({ team, viewer }) => {
      const { tags } = await as(viewer, "tags.read", { team });
      const counted = await rowsOf(sql`
      SELECT g.name, COUNT(r.id) AS n FROM tag g LEFT JOIN resource_tag t ON t.tag = g.id
      LEFT JOIN resource r ON r.id = t.resource AND r.deleted_at IS NULL WHERE g.team = ${team} GROUP BY g.id`);
      const expected = new Map(counted.map((row) => [row.name, Number(row.n)]));
      return [
        ...(await faults(team)),
        ...(await countedOtherwise(team)),
        ...tags.filter((tag) => tag.count !== expected.get(tag.name)),
      ];
    });
    expect(Math.min(...Object.values(seen))).toBeGreaterThan(10);
  },
);

test("what was tagged with a tag that has been merged or deleted since, or a name that is taken, is no error", async () => {
  const { editor, owner, team, resource, collection, viewer } = await makeWorld();
  const idOf = async (name: string) =>
    (await as(viewer, "tags.read", { team })).tags.find((one) => one.name === name)!.id;
  const undo = () => as(editor, "history.undo", { team });
  await as(editor, "collections.tag", { collection, tags: ["peat"] });
  await as(editor, "tags.change", { team, resources: [resource], add: ["peat", "fen"] });
  await as(editor, "tags.change", { team, resources: [resource], remove: ["peat"] });
  await as(owner, "tags.delete", { team, tags: [await idOf("peat")] });
  expect(await undo()).toMatchObject({ done: false, why: expect.stringContaining("not there any more") });
  await as(editor, "tags.rename", { tag: await idOf("fen"), name: "carr" });
  await as(owner, "tags.change", { team, resources: [resource], add: ["Fen"] });
  expect(await undo()).toMatchObject({ done: false, why: expect.stringContaining("that name") });
  expect((await as(viewer, "resources.read", { resource })).resource.tags.toSorted()).toEqual([
    "Fen",
    "carr",
  ]);
});

test("what others have put into a collection since is not taken away with it, and nothing ends up in a ring", async () => {
  const { editor, owner, team, collection, viewer } = await makeWorld();
  const make = async (who: Actor, title: string, parent: string | null) =>
    (await as(who, "collections.make", { team, title, parent })).collection.id;
  const undo = () => as(editor, "history.undo", { team });
  const made = await make(editor, "Made", null);
  await as(owner, "capture.note", { team, text: "By somebody else", collection: made });
  expect(await undo()).toMatchObject({ done: false, why: expect.stringContaining("owner") });
  const [a, b] = [await make(editor, "A", collection), await make(editor, "B", null)];
  await as(editor, "collections.move", { collection: a, parent: b });
  await as(editor, "collections.move", { collection: a, parent: null });
  await as(owner, "collections.move", { collection: b, parent: a });
  expect(await undo()).toMatchObject({ done: false, why: expect.stringContaining("inside itself") });
  // Deleted around it: it stays where it is.
  await as(editor, "collections.move", { collection: a, parent: made });
  await as(editor, "collections.move", { collection: a, parent: null });
  await as(owner, "collections.remove", { collection: made });
  expect(await undo()).toMatchObject({ done: false });
  const { collections } = await as(viewer, "collections.tree", { team });
  expect(collections.find((one) => one.id === a)).toMatchObject({ parent: null });
  expect(await faults(team)).toEqual([]);
});

test("an item that somebody has moved since is not put back into a section of where it was", async () => {
  const { editor, owner, team, resource } = await makeWorld();
  const made = (await as(editor, "collections.make", { team, title: "Made", parent: null })).collection.id;
  const other = (await as(owner, "collections.make", { team, title: "Other", parent: null })).collection.id;
  const section = (await as(owner, "sections.make", { collection: made, title: "Part" })).section.id;
  const placement = newId();
  await as(owner, "placements.add", { resource, placement, collection: made, section });
  await as(owner, "sections.remove", { section });
  await as(editor, "bin.restore-placement", { placement });
  // At the end of an empty collection, as before: its order key stays the same.
  await as(owner, "placements.move-many", { placements: [placement], collection: other, section: null });
  expect(await as(editor, "history.undo", { team })).toMatchObject({ done: false });
  await as(owner, "bin.restore-section", { section });
  await as(editor, "bin.restore-placement", { placement });
  expect(await faults(team)).toEqual([]);
});

test("two fields of one thing written at the same moment are both there", async () => {
  const { editor, owner, viewer, collection, placement, section } = await makeWorld();
  for (let i = 0; i < 20; i++) {
    const [heading, context, title, intro] = [
      `Heading ${i}`,
      `Context ${i}`,
      `Title ${i}`,
      `<p>Intro ${i}</p>`,
    ];
    await Promise.all([
      as(editor, "placements.edit", { placement, heading }),
      as(owner, "placements.edit", { placement, context }),
      as(editor, "sections.edit", { section, title }),
      as(owner, "sections.edit", { section, intro }),
    ]);
    const { items, sections } = await as(viewer, "collections.read", { collection });
    expect(items.find((one) => one.id === placement)).toMatchObject({ heading, context });
    expect(sections.find((one) => one.id === section)).toMatchObject({ title, intro });
  }
});

/** Everything of a team that stands in an order, by kind and id, with what is said of it. */
async function standing(team: string): Promise<Map<string, Fields>> {
  const state = new Map<string, Fields>();
  const note = (type: EntityType, rows: readonly Row[]) => {
    for (const { id, gone, ...fields } of rows) state.set(nameOf(type, id!), { ...fields, gone: gone !== null });
  };
  note("collection", await rowsOf(sql`
    SELECT id, title, parent, position, deleted_at AS gone FROM collection WHERE team = ${team}`));
  note("section", await rowsOf(sql`
    SELECT s.id, s.title, s.position, s.deleted_at AS gone FROM section s JOIN collection c ON c.id = s.collection
    WHERE c.team = ${team}`));
  note("placement", await rowsOf(sql`
    SELECT id, collection, section, position, heading, context, resource, deleted_at AS gone FROM placement
    WHERE team = ${team}`));
  return state;
} // prettier-ignore
const told = async (team: string): Promise<Change[]> =>
  (await rowsOf(sql`SELECT changes FROM event WHERE team = ${team} ORDER BY at, id`)).flatMap(
    ({ changes }) => (changes ? (JSON.parse(changes) as Change[]) : []),
  );

test.each([
  ["one after the other", 1],
  ["three at once", 3],
])("whatever two people do, %s, the events lead back to how it was", async (_, width) => {
  const past = new Map<string, { state: Map<string, Fields>; done: number }[]>();
  const acts = { ...TREE, ...BACK, "edit an item": THINGS["edit an item"]!, merge: MERGE };
  const seen = await twoPeople(acts, width, 12, async ({ team }) => {
    const [now, changes] = [await standing(team), await told(team)];
    const states = past.get(team) ?? [];
    past.set(team, [...states, { state: now, done: changes.length }]);
    return states.slice(-6).flatMap(({ state, done }) => {
      const then = rewind(now, changes.slice(done));
      return [...state].flatMap(([name, fields]) => {
        const found = Object.fromEntries(
          Object.keys(fields!).map((key) => [key, then.get(name)?.[key] ?? null]),
        );
        return JSON.stringify(found) === JSON.stringify(fields) ? [] : [{ name, was: fields, found }];
      });
    });
  });
  expect(Math.min(...Object.values(seen))).toBeGreaterThan(5);
});
