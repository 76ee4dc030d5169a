import fc from "fast-check";
import { expect, test } from "vitest";
import { as, guestOf, makeWorld } from "./world";

type Done = { entry?: string | null } | undefined;
type World = Awaited<ReturnType<typeof makeWorld>>;

/** What a collection shows now, as `collections.then` says it. */
async function shown({ owner, collection }: World) {
  const { items } = await as(owner, "collections.items", { collection });
  const read = await as(owner, "collections.read", { collection });
  return {
    title: read.collection.title,
    sections: read.sections.filter((one) => one.id !== null).map((one) => one.title),
    items: items.map((item) => [item.id, item.heading, item.context, item.section, item.resource.title]),
  };
}
async function shownThen({ owner, collection }: World, event: string) {
  const { title, sections, items } = await as(owner, "collections.then", { collection, event });
  return {
    title,
    sections: sections.map((one) => one.title),
    items: items.map((item) => [item.id, item.heading, item.context, item.section, item.title]),
  };
}
const lastEvent = async ({ owner, collection }: World) =>
  (await as(owner, "collections.happened", { collection })).events[0]!.id;

/** Things people do in a collection, by a number that says to what; one more takes back what was done last. */
const DEEDS: ((world: World, n: number, other: string) => Promise<unknown>)[] = [
  ({ owner, team, collection }, n) =>
    as(owner, "capture.note", { team, collection, text: `note ${n} ${crypto.randomUUID()}` }),
  ({ owner, collection }, n) => as(owner, "sections.make", { collection, title: `section ${n}` }),
  (world, n) =>
    withItem(world, n, (placement) => as(world.owner, "placements.edit", { placement, context: `why ${n}` })),
  (world, n) => withItem(world, n, (placement) => as(world.owner, "placements.remove", { placement })),
  (world, n) =>
    withItem(world, n, async (placement) => {
      const { sections } = await as(world.owner, "collections.sections", {
        collection: world.collection,
      });
      const section = sections[n % sections.length]?.id ?? null;
      return as(world.owner, "placements.move", { placement, section, after: null });
    }),
  (world, n, other) =>
    withItem(world, n, (placement) =>
      as(world.owner, "placements.move-many", { collection: other, placements: [placement] }),
    ),
  ({ owner, collection }, n) => as(owner, "collections.edit", { collection, title: `title ${n}` }),
  async ({ owner, collection }, n) => {
    const { sections } = await as(owner, "collections.sections", { collection });
    const one = sections[n % sections.length];
    if (!one) return undefined;
    return n % 2
      ? as(owner, "sections.edit", { section: one.id, title: `other ${n}` })
      : as(owner, "sections.remove", { section: one.id });
  },
];

async function withItem(
  world: World,
  n: number,
  act: (placement: string) => Promise<unknown>,
): Promise<unknown> {
  const { items } = await as(world.owner, "collections.items", { collection: world.collection });
  return items.length ? act(items[n % items.length]!.id) : undefined;
}

test(
  "whatever was done, each state is shown as it was, put back exactly, and undone exactly",
  { timeout: 240_000 },
  async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.nat(DEEDS.length), fc.nat(50)), { minLength: 4, maxLength: 14 }),
        async (steps) => {
          const world = await makeWorld();
          const { collection: other } = await as(world.owner, "collections.make", {
            team: world.team,
            title: "Other",
          });
          const entries: string[] = [];
          const states: { event: string; was: Awaited<ReturnType<typeof shown>> }[] = [];
          for (const [deed, n] of steps) {
            const act = DEEDS[deed];
            const done = act ? ((await act(world, n, other.id)) as Done) : null;
            if (done?.entry) entries.push(done.entry);
            const last = act ? undefined : entries.pop();
            if (last) await as(world.owner, "history.undo", { team: world.team, entry: last });
            states.push({ event: await lastEvent(world), was: await shown(world) });
          }
          for (const { event, was } of states) expect(await shownThen(world, event)).toEqual(was);
          const before = await shown(world);
          const { event, was } = states[Math.floor(states.length / 2)]!;
          const { elsewhere, lost, entry } = await as(world.owner, "collections.put-back", {
            ...{ collection: world.collection, event },
          });
          expect(lost).toBe(0);
          const back = await shown(world);
          // What stands in another collection by now was left there.
          const stray = new Set(
            was.items.map(([id]) => id).filter((id) => !back.items.some((item) => item[0] === id)),
          );
          expect(stray.size).toBe(elsewhere);
          expect(back).toEqual({ ...was, items: was.items.filter(([id]) => !stray.has(id!)) });
          if (entry)
            expect(await as(world.owner, "history.undo", { team: world.team })).toMatchObject({ done: true });
          expect(await shown(world)).toEqual(before);
          // Putting back and undoing that are told like everything else: what was is found through them.
          for (const state of states) expect(await shownThen(world, state.event)).toEqual(state.was);
        },
      ),
      {
        numRuns: 12,
        // Away, back by an undo, and away again: what is told in two places is one deed.
        examples: [
          [
            [
              [5, 0],
              [8, 0],
              [5, 0],
            ],
          ],
        ],
      },
    );
  },
);

test("single items are put back with their words, where they stood, and nothing else is touched", async () => {
  const world = await makeWorld();
  const { owner, team, collection, placement, section } = world;
  await as(owner, "placements.move", { placement, section, after: null });
  await as(owner, "placements.edit", { placement, context: "why it is here" });
  const event = await lastEvent(world);
  await as(owner, "placements.edit", { placement, context: "" });
  await as(owner, "placements.remove", { placement });
  const { item } = await as(owner, "capture.note", { team, collection, text: "Came later" });
  await as(owner, "collections.edit", { collection, title: "Another title" });
  const then = await as(owner, "collections.then", { collection, event });
  expect(then).toMatchObject({ came: 1, changed: true, items: [{ id: placement, since: "gone" }] });
  await as(owner, "collections.put-back", { collection, event, placements: [placement] });
  const now = await shown(world);
  expect(now.title).toBe("Another title");
  expect(now.items).toHaveLength(2);
  expect(now.items).toContainEqual([placement, "", "why it is here", section, expect.anything()]);
  expect(now.items.map(([id]) => id)).toContain(item!.id);
  expect((await as(owner, "collections.then", { collection, event })).items[0]!.since).toBe("same");
});

test("what is called otherwise since, or lies in the bin, is shown as it was called, and comes back", async () => {
  const world = await makeWorld();
  const { owner, collection, resource, placement } = world;
  await as(owner, "resources.edit", { resource, title: "Its first name" });
  await as(owner, "placements.edit", { placement, context: "why" });
  const event = await lastEvent(world);
  await as(owner, "resources.edit", { resource, title: "Its second name" });
  await as(owner, "resources.remove", { resource });
  expect(await as(owner, "collections.then", { collection, event })).toMatchObject({
    items: [{ id: placement, title: "Its first name", since: "gone" }],
  });
  expect(await as(owner, "collections.put-back", { collection, event })).toMatchObject({ back: 1, lost: 0 });
  expect((await shown(world)).items).toHaveLength(1);
});

test("an event of another collection is not there, and a guest sees what was and puts nothing back", async () => {
  const world = await makeWorld();
  const { owner, team, collection } = world;
  const { collection: other } = await as(owner, "collections.make", { team, title: "Other" });
  const [first] = (await as(owner, "collections.happened", { collection: other.id })).events;
  await expect(as(owner, "collections.then", { collection, event: first!.id })).rejects.toMatchObject({
    kind: "not-found",
  });
  const guest = await guestOf(owner, collection, "editor");
  const event = await lastEvent(world);
  expect((await as(guest, "collections.then", { collection, event })).items).toHaveLength(1);
  await expect(as(guest, "collections.put-back", { collection, event })).rejects.toMatchObject({
    kind: "not-found",
  });
});

test("what is put back where something else stands by now is beside it, in an order of its own", async () => {
  const world = await makeWorld();
  const { owner, team, collection, placement } = world;
  const note = async (text: string) => (await as(owner, "capture.note", { team, collection, text })).item!.id;
  const second = await note("The second");
  const event = await lastEvent(world);
  await as(owner, "placements.remove", { placement: second });
  await as(owner, "placements.move", {
    placement: await note("Came later"),
    section: null,
    after: placement,
  });
  await as(owner, "collections.put-back", { collection, event, placements: [second] });
  const { items } = await as(owner, "collections.items", { collection });
  const keys = items.map((item) => `${item.section} ${item.position}`);
  expect(new Set(keys).size).toBe(3);
});

test("two put it back at one time, and once is what it is", async () => {
  const world = await makeWorld();
  const { owner, editor, collection, placement } = world;
  const event = await lastEvent(world);
  const was = await shown(world);
  await as(owner, "placements.remove", { placement });
  await Promise.all([owner, editor].map((who) => as(who, "collections.put-back", { collection, event })));
  expect(await shown(world)).toEqual(was);
});
