import { eq, sql } from "drizzle-orm";
import { expect, test } from "vitest";
import { facetCount, resource, resourceTag, termStat } from "@/data/schema";
import { reindexResources } from "@/data/search/reindex-queue";
import { database } from "@/mechanism/changing";
import { Problem } from "@/mechanism/problem";
import { ACTIONS, type ActionName } from "@/services/registry";
import { fillResource } from "@/services/resources/fill";
import { countedOtherwise } from "./counted";
import { TABLE } from "./every-action";
import { makeFull } from "./full-world";
import { as, makeWorld } from "./world";

const CHANGES = (Object.keys(ACTIONS) as ActionName[]).filter((name) => ACTIONS[name].kind === "change");

test("after whatever people do, the counts kept by difference are those of counting anew", async () => {
  const done: ActionName[] = [];
  for (const name of CHANGES) {
    const world = await makeFull();
    const { owner, team, twin, resource: id } = world;
    await database().update(resource).set({ duplicateOf: id }).where(eq(resource.id, twin));
    await reindexResources(database(), [twin]);
    expect(await countedOtherwise(team)).toEqual([]);
    try {
      await as(owner, name, TABLE[name].input(world));
      done.push(name);
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
    }
    expect(await countedOtherwise(team), name).toEqual([]);
    await as(owner, "history.undo", { team });
    expect(await countedOtherwise(team), `${name}, taken back`).toEqual([]);
  }
  expect(done.length).toBeGreaterThan(CHANGES.length / 2);
});

test("so they are when a page was read, could not be read, and is asked for again", async () => {
  const { owner, team, resource: id } = await makeWorld();
  const states = async () =>
    (await as(owner, "search.facets", { team, query: "" })).facets.states
      .filter((one) => one.count)
      .map((one) => one.value);
  await asLargeTeam(team);
  await fillResource(id, { ok: false, problem: "no-answer" });
  expect(await countedOtherwise(team)).toEqual([]);
  expect(await states()).toContain("dead");
  await as(owner, "resources.fetch-again", { resource: id });
  expect(await countedOtherwise(team)).toEqual([]);
  expect(await states()).toContain("waiting");
});

test("counts of a large catalogue are read, say so when something waits to be counted, and then have it", async () => {
  const { owner, viewer, team, resource: id } = await makeWorld();
  await as(owner, "tags.add", { resource: id, tags: ["winter"] });
  expect(await countedOtherwise(team)).toEqual([]);
  const small = await as(viewer, "search.facets", { team, query: "" });
  const tended = await as(viewer, "tags.tend", { team });
  await asLargeTeam(team);
  expect(await as(viewer, "search.facets", { team, query: "" })).toEqual(small);
  expect(await as(viewer, "tags.tend", { team })).toEqual(tended);
  // They are read: what is written there is what is said.
  await database()
    .update(facetCount)
    .set({ n: 77 })
    .where(sql`team = ${team} AND facet = 'kind'`);
  expect((await as(viewer, "search.facets", { team, query: "" })).facets.kinds).toMatchObject([
    { count: 77 },
  ]);
  // More at once than a question takes up by itself.
  for (let i = 0; i < 8; i++) {
    const note = await as(owner, "capture.note", { team, text: `Note ${i}` });
    await as(owner, "tags.add", { resource: note.resource.id, tags: ["winter"] });
  }
  const then = await as(viewer, "search.facets", { team, query: "" });
  expect(then).toMatchObject({ old: true, facets: { kinds: [{ count: 77 }] } });
  expect((await as(viewer, "tags.tend", { team })).old).toBe(true);
  await countedOtherwise(team);
  await asLargeTeam(team);
  const winters = await database().$count(resourceTag, eq(resourceTag.team, team));
  const { tags } = await as(viewer, "tags.tend", { team });
  expect(tags.find((one) => one.name === "winter")!.count).toBe(winters);
});

/** As if there were more than are counted whenever somebody asks. */
async function asLargeTeam(team: string): Promise<void> {
  await database()
    .update(termStat)
    .set({ df: 6_000 })
    .where(sql`team = ${team} AND term = ''`);
}
