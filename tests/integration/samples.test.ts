import { beforeAll, expect, test } from "vitest";
import { SAMPLE, sampleItems } from "@/core/sample/sample";
import { newId } from "@/outside/random";
import { as, makeWorld, type World } from "./world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});

const make = async () => {
  const collection = newId();
  await as(world.owner, "samples.make", { team: world.team, collection });
  return collection;
};
const read = () => as(world.owner, "samples.read", { team: world.team });
const itemsOf = async (collection: string) =>
  (await as(world.owner, "collections.items", { collection })).items;

test("a collection to try stands there whole, goes away with everything, comes back by undo, and can be tried again", async () => {
  const { team, owner } = world;
  const collection = await make();
  const items = await itemsOf(collection);
  expect(items.map((item) => item.resource.title)).toEqual(sampleItems().map((item) => item.title));
  expect(items.map((item) => item.context)).toEqual(sampleItems().map((item) => item.context));
  const { sections } = await as(owner, "collections.read", { collection });
  expect(sections.map((section) => section.title)).toEqual(SAMPLE.sections.map((section) => section.title));
  // Sent twice it is made once.
  await as(owner, "samples.make", { team, collection });
  expect(await itemsOf(collection)).toHaveLength(items.length);

  const there = await read();
  expect(there).toEqual({
    resources: expect.arrayContaining(items.map((one) => one.resource.id)),
    collections: [collection],
  });
  const { entry } = await as(owner, "samples.remove", { team, ...there });
  expect(await read()).toEqual({ resources: [], collections: [] });
  const { collections } = await as(owner, "collections.tree", { team });
  expect(collections.map((one) => one.id)).not.toContain(collection);
  await as(owner, "history.undo", { team, entry: entry! });
  expect(await itemsOf(collection)).toHaveLength(items.length);
  await as(owner, "samples.remove", { team, ...(await read()) });

  const again = await make();
  expect(await itemsOf(again)).toHaveLength(items.length);
  await as(owner, "samples.remove", { team, ...(await read()) });
});

test("what somebody put beside the made-up things stays, with its collection; other things are never taken", async () => {
  const { team, owner, resource } = world;
  const collection = await make();
  await as(owner, "placements.add", { collection, resource });
  const there = await read();
  await as(owner, "samples.remove", { team, ...there, resources: [...there.resources, resource] });
  expect((await itemsOf(collection)).map((item) => item.resource.id)).toEqual([resource]);
  expect((await as(owner, "resources.read", { resource })).resource.id).toBe(resource);
});
