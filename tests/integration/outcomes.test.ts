import { expect, test } from "vitest";
import { coverage, gaps } from "@/core/outcomes/coverage";
import { findCollection } from "@/data/queries/collections";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { as, makeWorld, type World } from "./world";

const PASTED = "1 Peat\n1.1 Say what it is made of\n1.2 Say how old it is\n2 Water";

const write = async ({ owner, team }: World, text = PASTED) =>
  (await as(owner, "outcomes.add", { team, text })).outcomes as [string, string, string, string];
const read = ({ owner, team }: World) => as(owner, "outcomes.read", { team });
const titles = async (world: World) => {
  const { outcomes } = await read(world);
  const names = new Map(outcomes.map((one) => [one.id, one.title]));
  return outcomes.map((one) => [one.parent && names.get(one.parent), one.title]);
};

test("what is pasted is a tree, written once however often it is sent; taken away with what stands in it, and back", async () => {
  const world = await makeWorld();
  const { owner, team } = world;
  const outcome = newId();
  const wish = { team, text: PASTED, outcome };
  await Promise.all([as(owner, "outcomes.add", wish), as(owner, "outcomes.add", wish)]);
  const all = [
    [null, "Peat"],
    ["Peat", "Say what it is made of"],
    ["Peat", "Say how old it is"],
    [null, "Water"],
  ];
  expect(await titles(world)).toEqual(all);
  const { entry } = await as(owner, "outcomes.remove", { outcome });
  expect(await titles(world)).toEqual([[null, "Water"]]);
  await as(owner, "history.undo", { team, entry });
  expect(await titles(world)).toEqual(all);
  await expect(as(owner, "outcomes.add", { team, text: " \n- " })).rejects.toMatchObject({
    code: "no-outcomes",
  });
  await expect(as(owner, "outcomes.add", { team, text: "x\n".repeat(500) })).resolves.toBeDefined();
});

test("two moves at once make no ring", async () => {
  const world = await makeWorld();
  const [peat, , , water] = await write(world);
  const { owner } = world;
  const moves = await Promise.allSettled([
    as(owner, "outcomes.edit", { outcome: peat, parent: water }),
    as(owner, "outcomes.edit", { outcome: water, parent: peat }),
  ]);
  expect(moves.map(({ status }) => status).sort()).toEqual(["fulfilled", "rejected"]);
  expect((await titles(world)).filter(([parent]) => parent === null)).toHaveLength(1);
});

test("what serves an outcome counts where it stands, as long as it stands there; a gap is a gap until then", async () => {
  const world = await makeWorld();
  const { owner, team, collection, placement, resource } = world;
  const [, made, old] = await write(world);
  const serve = (degree: string, outcome = made) =>
    as(owner, "outcomes.serve", { placement, outcome, degree });
  const covers = async () => {
    const { outcomes, servings } = await read(world);
    return coverage(
      outcomes,
      servings.map((one) => ({ ...one, column: one.collection })),
    );
  };
  expect(gaps(await covers())).toMatchObject({ nothing: 3 });
  await serve("part");
  const { entry } = await serve("full");
  expect((await read(world)).servings).toMatchObject([
    { outcome: made, collection, degree: "full", appraised: false },
  ]);
  expect(gaps(await covers())).toMatchObject({ nothing: 2, "one thing": 1 });
  await as(owner, "history.undo", { team, entry });
  expect((await read(world)).servings).toMatchObject([{ degree: "part" }]);
  expect((await as(owner, "outcomes.items", { outcome: made, collection })).items).toMatchObject([
    { placement, degree: "part" },
  ]);
  expect((await as(owner, "outcomes.items", { outcome: old, collection })).items).toMatchObject([
    { degree: null },
  ]);
  // A judgement of anybody counts.
  const { criteria } = await as(owner, "criteria.save", {
    ...{ team, name: "One question" },
    content: [{ id: "a", name: "Good", question: "", scale: "three", guide: [], weight: 1 }],
  });
  await as(owner, "appraisals.give", {
    resource,
    criteria: criteria.id,
    number: 1,
    answers: { a: { step: 3 } },
  });
  expect((await read(world)).servings).toMatchObject([{ appraised: true }]);
  // A copy of the course serves what the course serves.
  const copy = await as(owner, "collections.duplicate", { collection, items: true });
  expect((await read(world)).servings.map((one) => one.collection).sort()).toEqual(
    [collection, copy.collection.id].sort(),
  );
  await as(owner, "placements.remove", { placement });
  expect((await read(world)).servings.map((one) => one.collection)).toEqual([copy.collection.id]);
});

test("an item of one team serves no outcome of another", async () => {
  const [world, other] = [await makeWorld(), await makeWorld()];
  const [theirs] = await write(other);
  const { owner, placement, collection } = world;
  await expect(
    as(owner, "outcomes.serve", { placement, outcome: theirs, degree: "full" }),
  ).rejects.toMatchObject({ code: "not-found" });
  await expect(as(owner, "outcomes.items", { collection, outcome: theirs })).rejects.toMatchObject({
    code: "not-found",
  });
});

test("what may serve an outcome is said by the words both have, and no more once it is known to", async () => {
  const world = await makeWorld();
  const { owner, collection, placement, section, team } = world;
  const [, made] = await write(world, "1 Peat\n1.1 Read the water table in a dipwell\n2 Birds");
  await as(owner, "placements.edit", {
    placement,
    context: "Read the dipwell first: where does the water table stand?",
  });
  await as(owner, "capture.address", {
    team,
    address: `https://bog.example/${newId()}`,
    collection,
    section,
  });
  const because = async () =>
    (await as(owner, "outcomes.items", { outcome: made, collection })).items.map((one) => one.because);
  const [first, second] = await because();
  expect(first).toEqual(expect.arrayContaining(["dipwell"]));
  expect(second).toEqual([]);
  await as(owner, "outcomes.serve", { placement, outcome: made, degree: "full" });
  expect(await because()).toEqual([[], []]);
});

test("readers are told which outcomes a collection and its sections serve, as they are called now, where that is wished", async () => {
  const world = await makeWorld();
  const { owner, collection, section, placement } = world;
  const [, made, old] = await write(world);
  await as(owner, "placements.move", { placement, section });
  await as(owner, "outcomes.serve", { placement, outcome: made, degree: "part" });
  const holder = {
    person: null,
    share: (await as(owner, "share.set", { collection, audience: "link" })).code,
  };
  const told = async () => {
    const { collection: read } = await as(holder, "reader.read", { collection });
    return [read.serves, read.sections.find(({ id }) => id === section)?.serves].map((some) =>
      some?.map(({ code, title }) => `${code} ${title}`),
    );
  };
  const version = async () => (await findCollection(database(), collection))!.version;
  expect(await told()).toEqual([undefined, undefined]);
  await as(owner, "collections.edit", { collection, showsOutcomes: true });
  expect(await told()).toEqual([["1.1 Say what it is made of"], ["1.1 Say what it is made of"]]);
  // A page that was kept is not the newest any more, whatever of it changes.
  for (const change of [
    () => as(owner, "outcomes.edit", { outcome: made, title: "Name what it is made of" }),
    () => as(owner, "outcomes.serve", { placement, outcome: old, degree: "full" }),
    () => as(owner, "outcomes.remove", { outcome: made }),
  ]) {
    const before = await version();
    await change();
    expect(await version()).toBeGreaterThan(before);
  }
  expect(await told()).toEqual([["1.2 Say how old it is"], ["1.2 Say how old it is"]]);
  await as(owner, "placements.edit", { placement, forReaders: false });
  expect(await told()).toEqual([undefined, undefined]);
  expect(await as(owner, "outcomes.of-collection", { collection })).toMatchObject({ all: [{ code: "1.2" }] });
});
