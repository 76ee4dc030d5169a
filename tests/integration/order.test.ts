import { and, asc, count, eq } from "drizzle-orm";
import { expect, test } from "vitest";
import { nameOf, rewind } from "@/core/history/rewind";
import { keysAfter } from "@/core/order/place";
import { collection, event, placement, resource } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { as, makeWorld } from "./world";

/** A small generator of numbers that gives the same ones each run (Lehmer, modulus 2^31 - 1). */
function numbers(seed: number) {
  let state = seed;
  return (below: number) => (state = (state * 48_271) % 2_147_483_647) % below;
}

test("2,000 random moves by 8 movers at once: no duplicate, no lost item, all agree", async () => {
  const MOVES = 2_000;
  const MOVERS = 8;
  const ITEMS = 40;
  const world = await makeWorld();
  const { collection: made } = await as(world.owner, "collections.make", {
    team: world.team,
    title: "Order",
  });
  const sections: (string | null)[] = [null];
  for (const title of ["one", "two"])
    sections.push((await as(world.owner, "sections.make", { collection: made.id, title })).section.id);
  const keys = keysAfter(null, ITEMS);
  const ids = keys.map(() => newId());
  const at = now();
  const common = {
    team: world.team,
    collection: made.id,
    resource: world.resource,
    section: null,
    context: "",
    addedBy: world.owner.person!.id,
    createdAt: at,
    updatedAt: at,
  };
  await database()
    .insert(placement)
    .values(ids.map((id, i) => ({ ...common, id, position: keys[i]! })));

  await Promise.all(
    Array.from({ length: MOVERS }, async (_, mover) => {
      const next = numbers(mover + 1);
      for (let i = 0; i < MOVES / MOVERS; i++) {
        const section = sections[next(sections.length)]!;
        const after = next(5) === 0 ? null : ids[next(ITEMS)]!;
        await as(world.editor, "placements.move", { placement: ids[next(ITEMS)]!, section, after });
      }
    }),
  );

  const rows = await database()
    .select()
    .from(placement)
    .where(eq(placement.collection, made.id))
    .orderBy(asc(placement.section), asc(placement.position), asc(placement.id));
  expect(rows.map((row) => row.id).sort()).toEqual([...ids].sort());
  expect(new Set(rows.map((row) => `${row.section} ${row.position}`)).size).toBe(ITEMS);
  expect(rows.every((row) => row.deletedAt === null && row.position.length <= 64)).toBe(true);
  // Two who read it see the same order, and the count of changes says that none was passed over.
  const [one, two] = await Promise.all(
    [world.editor, world.viewer].map((actor) => as(actor, "collections.read", { collection: made.id })),
  );
  expect(one!.items.map((item) => item.id)).toEqual(two!.items.map((item) => item.id));
  expect(one!.items).toHaveLength(ITEMS);
  const [{ version } = { version: 0 }] = await database()
    .select()
    .from(collection)
    .where(eq(collection.id, made.id));
  // Each move that changed something was told and counted; three more made the collection and its sections.
  const [{ moved } = { moved: 0 }] = await database()
    .select({ moved: count() })
    .from(event)
    .where(and(eq(event.collection, made.id), eq(event.verb, "placements.move")));
  expect(moved).toBeGreaterThan(0.95 * MOVES);
  expect(version).toBe(moved + 3);
});

test("what a move means is what a list shows: behind, first, over to another section, behind one that is gone", async () => {
  const world = await makeWorld();
  const place = async (path: string) =>
    (
      await as(world.owner, "capture.address", {
        team: world.team,
        address: `https://bog.example/${newId()}/${path}`,
        collection: world.collection,
        section: null,
      })
    ).item!.id;
  const [a, b, c] = [await place("a"), await place("b"), await place("c")] as [string, string, string];
  const order = async () =>
    (await as(world.viewer, "collections.read", { collection: world.collection })).items.map(
      (item) => item.id,
    );
  const z = world.placement;
  expect(await order()).toEqual([z, a, b, c]);
  await as(world.editor, "placements.move", { placement: c, after: z });
  expect(await order()).toEqual([z, c, a, b]);
  await as(world.editor, "placements.move", { placement: b, section: null, after: null });
  expect(await order()).toEqual([b, z, c, a]);
  await as(world.editor, "placements.move", { placement: b, section: world.section, after: null });
  expect(await order()).toEqual([z, c, a, b]);
  await as(world.editor, "placements.remove", { placement: c });
  await as(world.editor, "placements.move", { placement: z, section: null, after: c });
  expect(await order()).toEqual([a, z, b]);
  await as(world.editor, "bin.restore-placement", { placement: c });
  expect(new Set(await order())).toEqual(new Set([a, z, b, c]));
  expect(await database().select().from(resource).where(eq(resource.id, world.resource))).toHaveLength(1);
});

test("keys that were spread anew are told with what was put among them, so that the old order is known", async () => {
  const { owner, team, placement: a, collection: home } = await makeWorld();
  const note = async (text: string) =>
    (await as(owner, "capture.note", { team, collection: home, section: null, text })).item!.id;
  const [b, c] = [await note("b"), await note("c")];
  // As keys get after some hundred moves to one spot.
  const keys = new Map([[a, `a0${"V".repeat(46)}`], [b, `a0${"V".repeat(45)}W`], [c, "a5"]]); // prettier-ignore
  for (const [id, position] of keys)
    await database().update(placement).set({ position }).where(eq(placement.id, id));
  await as(owner, "placements.move", { placement: c, section: null, after: a });
  const { items } = await as(owner, "collections.items", { collection: home });
  expect(items.map((item) => item.id)).toEqual([a, c, b]);
  const [told] = await database()
    .select({ changes: event.changes })
    .from(event)
    .where(and(eq(event.subject, c), eq(event.verb, "placements.move")));
  const now = new Map(items.map((item) => [nameOf("placement", item.id), { position: item.position }]));
  const then = rewind(now, told!.changes!);
  for (const [id, position] of keys) expect(then.get(nameOf("placement", id))).toMatchObject({ position });
});
