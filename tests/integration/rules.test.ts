import { eq } from "drizzle-orm";
import { expect, test } from "vitest";
import { placement, resource, ruleHit } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { as, makeWorld, type World } from "./world";

const collectionNamed = async ({ owner, team }: World, title: string) =>
  (await as(owner, "collections.make", { team, title })).collection.id;
/** Something of this title, from a site when it has one. */
async function bring({ owner, team }: World, title: string, host = ""): Promise<string> {
  const { resource: card } = await as(owner, "capture.note", { team, text: title });
  if (host) await database().update(resource).set({ host }).where(eq(resource.id, card.id));
  return card.id;
}

/** A rule that acts, and something it has been done to. */
async function done(world: World) {
  const collection = await collectionNamed(world, "To read");
  const rule = newId();
  await as(world.owner, "rules.save", {
    ...{ team: world.team, rule, name: "Carbon", word: "carbon", collection, acts: true },
    tags: ["carbon", "Bog"],
  });
  const id = await bring(world, "Carbon in the shop", "shop.bog.example");
  await as(world.owner, "tags.add", { resource: id, tags: ["bog"] });
  await as(world.owner, "rules.run", { rule });
  const [hit] = await database().select().from(ruleHit).where(eq(ruleHit.resource, id));
  return { rule, resource: id, hit: hit!.id, collection };
}
const standsIn = async (collection: string) =>
  (await database().select().from(placement).where(eq(placement.collection, collection)))
    .filter((one) => !one.deletedAt)
    .map((one) => one.resource);
const tagsOf = async (world: World, id: string) =>
  (await as(world.owner, "resources.read", { resource: id })).resource.tags.toSorted();

test("what a rule did is taken back where it was wrong, and no more than that; undone it stands again", async () => {
  const world = await makeWorld();
  const { rule, resource: id, hit, collection } = await done(world);
  expect(await standsIn(collection)).toEqual([id]);
  expect(await tagsOf(world, id)).toEqual(["bog", "carbon"]);
  const { leaveOut, entry } = await as(world.owner, "rules.correct", { hit, resource: id });
  expect(leaveOut).toEqual([{ host: "shop.bog.example" }]);
  expect(await standsIn(collection)).toEqual([]);
  // This one it had before.
  expect(await tagsOf(world, id)).toEqual(["bog"]);
  const said = async () => (await as(world.owner, "rules.read", { team: world.team })).rules[0]!.said;
  expect(await said()).toEqual({ suggested: 0, done: 0, declined: 0, wrong: 1 });
  // Run again, it is not wrong again.
  await as(world.owner, "rules.run", { rule });
  expect(await standsIn(collection)).toEqual([]);
  await as(world.owner, "history.undo", { team: world.team, entry: entry! });
  expect(await standsIn(collection)).toEqual([id]);
  await as(world.owner, "history.redo", { team: world.team });
  await as(world.owner, "rules.decide", { hit, take: true });
  expect(await standsIn(collection)).toEqual([id]);
  expect(await said()).toEqual({ suggested: 0, done: 1, declined: 0, wrong: 0 });
});

test("two who say so at once take it back once; what somebody placed since stays", async () => {
  const world = await makeWorld();
  const { resource: id, hit, collection } = await done(world);
  const other = await collectionNamed(world, "Elsewhere");
  await as(world.owner, "placements.add", { collection: other, resource: id });
  await Promise.all([1, 2].map(() => as(world.owner, "rules.correct", { hit, resource: id })));
  expect(await standsIn(collection)).toEqual([]);
  expect(await standsIn(other)).toEqual([id]);
  const another = await bring(world, "Another");
  await expect(as(world.owner, "rules.correct", { hit, resource: another })).rejects.toMatchObject({
    kind: "not-found",
  });
});

test("what is left out of a rule it does no longer, until it is let in again", async () => {
  const world = await makeWorld();
  const { rule, collection } = await done(world);
  const except = (out: boolean, what: object) => as(world.owner, "rules.except", { rule, out, ...what });
  // Both are kept, though they come at once.
  await Promise.all([except(true, { word: "price" }), except(true, { host: "maps.bog.example" })]);
  const isPlaced = async (title: string) => {
    const id = await bring(world, title);
    await as(world.owner, "rules.run", { rule });
    return (await standsIn(collection)).includes(id);
  };
  expect(await isPlaced("Carbon at a price")).toBe(false);
  expect(await isPlaced("Carbon in moss")).toBe(true);
  await except(false, { word: "price" });
  expect(await isPlaced("The price of carbon")).toBe(true);
  for (const what of [{ word: "Carbon" }, {}])
    await expect(except(true, what)).rejects.toMatchObject({ errors: [{ field: "word" }] });
});

test("a site a rule is nearly always wrong about is offered to be left out", async () => {
  const world = await makeWorld();
  const { rule, resource: id, hit } = await done(world);
  await as(world.owner, "rules.correct", { hit, resource: id });
  for (const title of ["Carbon pens", "Carbon paper"]) {
    const one = await bring(world, title, "shop.bog.example");
    await as(world.owner, "rules.run", { rule });
    const [its] = await database().select().from(ruleHit).where(eq(ruleHit.resource, one));
    await as(world.owner, "rules.correct", { hit: its!.id, resource: one });
  }
  const { leaveOut, hits } = await as(world.owner, "rules.did", { rule });
  expect(leaveOut).toEqual([{ host: "shop.bog.example", wrong: 3, right: 0 }]);
  expect(hits.map((one) => one.state)).toEqual(["wrong", "wrong", "wrong"]);
});
