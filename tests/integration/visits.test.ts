import { sql } from "drizzle-orm";
import { describe, expect, test } from "vitest";
import { event } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { as, makeWorld } from "./world";

/** Two of a team with a collection, of whom the first has looked at it for a while. */
async function two() {
  const world = await makeWorld();
  const other = world.editor;
  const { collection, owner, team } = world;
  const visit = async () => {
    for (let i = 0; i < 2; i++) await as(owner, "collections.be-here", { collection, looks: true });
  };
  const news = async () => {
    const { items, gone } = await as(owner, "collections.news", { collection });
    return { ...Object.fromEntries(items.map((one) => [one.id, one.news])), gone };
  };
  const bring = async (who = other) => {
    const address = `https://bog.example/${newId()}`;
    return (await as(who, "capture.address", { team, address, collection })).item!.id;
  };
  return { ...world, other, visit, news, bring };
}

test("what others did since one was here for a while is new, and no more once one has looked again", async () => {
  const { owner, other, collection, placement, visit, news, bring } = await two();
  const [second, third] = [await bring(), await bring()];
  // To somebody who has never been here, everything is.
  expect(await news()).toEqual({ gone: 0 });
  // Coming by, or having it open behind something else, is not looking.
  await as(owner, "collections.be-here", { collection, looks: true });
  await as(owner, "collections.be-here", { collection, looks: false });
  expect((await as(owner, "collections.news", { collection })).since).toBeNull();
  await visit();
  const fresh = await bring();
  await as(other, "placements.edit", { placement, context: "Read this" });
  await as(other, "placements.move", { placement: second, section: null, after: null });
  await as(other, "placements.remove", { placement: third });
  // One's own are no news.
  await bring(owner);
  expect(await news()).toEqual({ [fresh]: "new", [placement]: "words", [second]: "moved", gone: 1 });
  // Each has their own.
  expect((await as(other, "collections.news", { collection })).items).toEqual([]);
  await visit();
  expect(await news()).toEqual({ gone: 0 });
});

describe("what happened in a collection", () => {
  test("is there by whom and to what, newest first, a page after the other, and nothing twice", async () => {
    const { owner, other, collection, placement } = await two();
    for (let i = 0; i < 120; i++)
      await as(other, "placements.edit", { placement, context: `Line ${i}`, heading: "The first dipwell" });
    const first = await as(owner, "collections.happened", { collection });
    expect(first).toMatchObject({ more: true });
    expect(first.events[0]).toMatchObject({
      verb: "placements.edit",
      item: "The first dipwell",
      actor: other.person!.id,
    });
    const before = first.events.at(-1)!.id;
    const second = await as(owner, "collections.happened", { collection, before });
    const ids = [...first.events, ...second.events].map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids.length).toBeGreaterThan(120);
    expect(second.more).toBe(false);
    expect(await as(owner, "collections.happened", { collection, before: newId() })).toMatchObject({
      events: [],
    });
  });

  test("what is new is found by the index, however much happened before", async () => {
    const { collection } = await two();
    const plan = (await database().execute(
      sql`EXPLAIN SELECT verb, subject FROM ${event} WHERE collection = ${collection} AND written > ${new Date(0)} ORDER BY written, id LIMIT 10`,
    )) as unknown as [{ key: string }[]];
    expect(plan[0][0]!.key).toBe("event_in");
  });
});
