import { lockResources } from "@/data/queries/locks";
import { lockPlacements, lockSections } from "@/data/queries/locks";
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
      await sectionsBack(setting, then, now);
    }
    const back = await itemsBack(setting, collection, wanted, only ? now.sections : then.sections, !only);
    if (!only) await takeOut(setting, now, then);
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

async function sectionsBack({ tx, change, restore, remove }: Setting, then: Then, now: Then): Promise<void> {
  const rows = await lockSections(
    tx,
    [...then.sections, ...now.sections].map((one) => one.id),
  );
  const was = then.sections.flatMap((one) => (rows.has(one.id) ? [{ ...one, row: rows.get(one.id)! }] : []));
  await restore(
    "section",
    was.flatMap(({ row }) => (row.deletedAt ? [row] : [])),
  );
  const fields = new Map(was.map(({ id, title, intro, position }) => [id, { title, intro, position }]));
  await change(
    "section",
    was.map(({ row }) => row),
    ({ id }) => fields.get(id!)!,
  );
  const kept = new Set(was.map((one) => one.id));
  await remove(
    "section",
    now.sections.flatMap((one) => (kept.has(one.id) ? [] : [rows.get(one.id)!])),
  );
}

/** @param order whether they stand where they stood; what was gone does so in any case */
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
  const was = items.flatMap((item) => {
    const row = rows.get(item.id);
    return row?.collection === collection ? [{ item, row }] : [];
  });
  await restore(
    "placement",
    was.flatMap(({ row }) => (row.deletedAt ? [row] : [])),
  );
  const fields = new Map(
    was.map(({ item: { id, heading, context, look, section, position }, row }) => [
      id,
      {
        ...{ heading, context, look: look as typeof row.look },
        ...((order || row.deletedAt) && {
          ...{ section: section !== null && there.has(section) ? section : null, position },
        }),
      },
    ]),
  );
  await change(
    "placement",
    was.map(({ row }) => row),
    ({ id }) => fields.get(id!)!,
  );
  const lost = items.filter((item) => !rows.has(item.id)).length;
  return { back: was.length, elsewhere: items.length - was.length - lost, lost };
}

/** What came since goes into the bin, where it is found again. */
async function takeOut({ tx, remove }: Setting, now: Then, then: Then): Promise<void> {
  const was = new Set(then.items.map((item) => item.id));
  const rows = await lockPlacements(
    tx,
    now.items.flatMap((item) => (was.has(item.id) ? [] : [item.id])),
  );
  await remove("placement", [...rows.values()]);
}
