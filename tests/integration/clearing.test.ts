import { eq, sql } from "drizzle-orm";
import { expect, test } from "vitest";
import { event, snapshot } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { clearEvents } from "@/services/clearing/clear-events";
import { as, makeWorld } from "./world";

test("what happened too long ago is cleared, and how each collection was then is kept", async () => {
  const { owner, team, collection, section, placement } = await makeWorld();
  await as(owner, "placements.edit", { placement, context: "As it was" });
  const { item } = await as(owner, "capture.note", { team, text: "Will go", collection, section });
  // All of it 500 days ago.
  for (const table of ["event", "collection", "placement"])
    await database().execute(sql`
      UPDATE ${sql.raw(table)} SET ${sql.raw(table === "event" ? "at" : "created_at")} =
      ${sql.raw(table === "event" ? "at" : "created_at")} - INTERVAL 500 DAY WHERE team = ${team}`);
  await database().execute(
    sql`UPDATE section SET created_at = created_at - INTERVAL 500 DAY WHERE id = ${section}`,
  );

  await as(owner, "placements.edit", { placement, context: "As it is" });
  await as(owner, "placements.move", { placement, section });
  await as(owner, "placements.remove", { placement: item!.id });
  await as(owner, "sections.edit", { section, title: "Another name" });
  await as(owner, "capture.note", { team, text: "Came later", collection, section });
  await as(owner, "collections.be-here", { collection });

  const cleared = await clearEvents(new Date());
  expect(cleared.events).toBeGreaterThan(3);
  const [kept, ...more] = await database().select().from(snapshot).where(eq(snapshot.collection, collection));
  expect(more).toEqual([]);
  const state = new Map(kept!.state);
  expect(state.get(`section~${section}`)).toMatchObject({ title: "A section" });
  expect(state.get(`placement~${placement}`)).toMatchObject({ context: "As it was", section: null });
  expect(state.get(`placement~${item!.id}`)).toMatchObject({ section });
  expect(state.size).toBe(4);

  const left = await database().select({ verb: event.verb }).from(event).where(eq(event.team, team));
  expect(left.map(({ verb }) => verb)).toEqual(
    expect.arrayContaining([
      "placements.edit",
      "placements.move",
      "placements.remove",
      "sections.edit",
      "presence",
    ]),
  );
  expect(left.map(({ verb }) => verb)).not.toContain("collections.make");
  // Nothing is cleared a second time, nor anything a day old; what somebody was looked at for a moment goes after a day.
  expect(await clearEvents(new Date())).toEqual({ events: 0, snapshots: 0 });
  await clearEvents(new Date(Date.now() + 2 * 86_400_000));
  const stays = await database().select({ verb: event.verb }).from(event).where(eq(event.team, team));
  expect(stays).toEqual(left.filter(({ verb }) => verb !== "presence"));
});
