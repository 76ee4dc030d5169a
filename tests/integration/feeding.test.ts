import { eq, sql } from "drizzle-orm";
import { expect, test } from "vitest";
import { weigh } from "@/core/search/weigh";
import { forgetDue, lockIndex, readDue } from "@/data/queries/search-feed";
import { placement, resource, termDue, termPosting, termStat } from "@/data/schema";
import { newId } from "@/outside/random";
import { database } from "@/services/action";
import { feedSome } from "@/services/find/feed";
import type { Problem } from "@/services/problem";
import { as, makeWorld } from "./world";

test("rows are found by their keys: what others hold in the same small table is not waited for", async () => {
  const { team, resource: of } = await makeWorld();
  const rows = Array.from({ length: 60 }, () => ({ id: newId(), resource: of, team }));
  await database().insert(termDue).values(rows);
  const mine = () => database().select().from(termDue).where(eq(termDue.team, team));
  const [held, ...free] = await mine();
  await database().transaction(async (holder) => {
    await holder.select().from(termDue).where(eq(termDue.id, held!.id)).for("update");
    await database().transaction(async (other) => {
      await other.execute(sql`SET SESSION innodb_lock_wait_timeout = 1`);
      try {
        await forgetDue(
          other,
          free.map((row) => row.id),
        );
      } finally {
        await other.execute(sql`SET SESSION innodb_lock_wait_timeout = DEFAULT`);
      }
    });
  });
  expect(free.length).toBeGreaterThanOrEqual(60);
  expect(await mine()).toEqual([held]);
});

test("while somebody feeds a team, saving there goes on, and another feeder takes another team", async () => {
  const [busy, other] = [await makeWorld(), await makeWorld()];
  const dueIn = (team: string) => database().$count(termDue, eq(termDue.team, team));
  while ((await feedSome()) > 0);
  for (const { editor, resource } of [busy, other])
    await as(editor, "resources.edit", { resource, title: "Changed before" });
  await database().transaction(async (feeder) => {
    expect(await lockIndex(feeder, busy.team, true)).toBe(true);
    await readDue(feeder, busy.team, 200);
    await as(busy.editor, "resources.edit", { resource: busy.resource, title: "Changed meanwhile" });
    expect(await feedSome()).toBe(1);
    expect([await dueIn(busy.team), await dueIn(other.team)]).toEqual([2, 0]);
    expect(await feedSome()).toBe(0);
  });
  while ((await feedSome()) > 0);
  expect(await dueIn(busy.team)).toBe(0);
});

test("whoever feeds a team for the first time at the same time as others is done when nothing is due", async () => {
  for (let i = 0; i < 4; i++) {
    const { team } = await makeWorld();
    const due = () => database().$count(termDue, eq(termDue.team, team));
    expect(await due()).toBeGreaterThan(0);
    await Promise.all(
      [0, 1, 2].map(async () => {
        while ((await feedSome(team)) > 0);
        expect(await due()).toBe(0);
      }),
    );
  }
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
      notes: row.notes,
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
