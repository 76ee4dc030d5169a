import { lockPlacements, lockResources, lockSections } from "@/data/queries/locks";
import { findEvent } from "@/data/queries/snapshots";
import type { Then, ThenItem, ThenSection } from "@/core/history/then";
import { action, type Running } from "@/mechanism/action";
import { Id, MaybeIds } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { stateAfter } from "./state-after";

class PutBack {
  @Id() collection: string;
  /** The event after which it was so. */
  @Id() event: string;
  /** Only these items, with their words; left out: everything, with its order. */
  @MaybeIds() placements?: string[];
}

type Setting = Pick<Running<PutBack>, "tx" | "change" | "restore" | "remove">;

export const putBack = action({
  name: "collections.put-back",
  about:
    "Puts a collection back as it was after something had happened in it, or some items of it; what came since goes into the bin. What stands in another collection by now, or is gone for good, stays as it is, and is counted.",
  input: PutBack,
  allow: can.arrange("collection"),
  // Whoever changes anything in it waits for it.
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: "put back how it was",
  run: async ({ input, scope, tx, locked, set, change, restore, remove }) => {
    const { collection, placements } = input;
    const found = await findEvent(tx, input.event);
    if (found?.collection !== collection) throw new Problem("not-found");
    await set.count([collection]);
    const { then, now } = await stateAfter(tx, collection, found);
    const setting = { tx, change, restore, remove };
    const only = placements && new Set(placements);
    const wanted = only ? then.items.filter((item) => only.has(item.id)) : then.items;
    await resourcesBack(setting, scope.team!, wanted);
    if (!only) {
      const { title, description, rich } = then;
      await change("collection", locked.collection(collection), { title, description, rich });
      await sectionsBack(setting, then);
      await itemsOut(setting, now, then);
    }
    const back = await itemsBack(setting, collection, wanted, only ? now.sections : then.sections, !only);
    if (!only) await sectionsOut(setting, now, then);
    return back;
  },
});

/** What lies in the bin of the catalogue comes back with what needs it. */
async function resourcesBack(
  { tx, restore }: Setting,
  team: string,
  items: readonly ThenItem[],
): Promise<void> {
  const rows = await lockResources(tx, [...new Set(items.map((item) => item.resource))]);
  const binned = [...rows.values()].filter((row) => row.team === team && row.deletedAt);
  await restore("resource", binned, { forGood: true });
}

async function sectionsBack({ tx, change, restore }: Setting, then: Then): Promise<void> {
  const rows = await lockSections(
    tx,
    then.sections.map((one) => one.id),
  );
  const was = [...rows.values()];
  const fields = new Map(
    then.sections.map(({ id, title, intro, position }) => [id, { title, intro, position }]),
  );
  // What lies in the bin stands where it stood before it is back, so that no two stand at one place.
  await change("section", was, ({ id }) => fields.get(id!)!);
  await restore(
    "section",
    was.filter((row) => row.deletedAt),
  );
}

/** @param order whether all stand where they stood; what was gone does so in any case */
async function itemsBack(
  { tx, change, restore }: Setting,
  collection: string,
  items: readonly ThenItem[],
  sections: readonly ThenSection[],
  order: boolean,
): Promise<{ back: number; elsewhere: number; lost: number }> {
  const rows = await lockPlacements(
    tx,
    items.map((item) => item.id),
  );
  const there = new Set(sections.map((one) => one.id));
  const was = [...rows.values()].filter((row) => row.collection === collection);
  const by = new Map(items.map((item) => [item.id, item]));
  await change("placement", was, ({ id, deletedAt }) => {
    const { heading, context, look, section, position } = by.get(id!)!;
    const words = { heading, context, look: look as (typeof was)[number]["look"] };
    if (!order && !deletedAt) return words;
    return { ...words, section: section !== null && there.has(section) ? section : null, position };
  });
  await restore(
    "placement",
    was.filter((row) => row.deletedAt),
  );
  return {
    back: was.length,
    elsewhere: rows.size - was.length,
    lost: items.length - rows.size,
  };
}

/** What came since goes into the bin, where it is found again. */
async function itemsOut({ tx, remove }: Setting, now: Then, then: Then): Promise<void> {
  const was = new Set(then.items.map((item) => item.id));
  const rows = await lockPlacements(
    tx,
    now.items.flatMap((item) => (was.has(item.id) ? [] : [item.id])),
  );
  await remove("placement", [...rows.values()]);
}

/** The same of sections, when nothing stands in them any more. */
async function sectionsOut({ tx, remove }: Setting, now: Then, then: Then): Promise<void> {
  const was = new Set(then.sections.map((one) => one.id));
  const rows = await lockSections(
    tx,
    now.sections.flatMap((one) => (was.has(one.id) ? [] : [one.id])),
  );
  await remove("section", [...rows.values()]);
}
