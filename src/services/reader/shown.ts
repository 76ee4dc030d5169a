import { type Audience, type Door, type InsideCollection, type Reach, type Way } from "@/core/publish/model";
import { groupBy } from "@/core/list/group-by";
import { openedBy, type Shared, shownInside } from "@/core/publish/opens";
import type { Tx } from "@/data/database";
import { clothOf } from "@/data/queries/collections";
import { type SharedNode, sharedDown, sharedUp } from "@/data/queries/sharing";

/** What readers are shown as one: the collection whose address they have, and what stands in it. */
export type Shown = {
  root: SharedNode;
  /** From the top down, neighbours in their order, without the root. */
  inside: SharedNode[];
  /** What the root stands in, where everybody may see that, too. */
  above: Way["above"];
};

/** What whoever holds this code, or none, is shown with a collection; null when it is not shared with them. */
export async function shownTo(tx: Tx, id: string, code: string | null, at: Date): Promise<Shown | null> {
  const up = await sharedUp(tx, id);
  const root = openedBy(up, code, at);
  return root && shownOf(tx, root, up.slice(up.indexOf(root)), at);
}

/** What readers would be shown of a collection with these settings, for its own people. */
export async function shownIf(
  tx: Tx,
  id: string,
  { audience, reach }: { audience?: Audience; reach?: Reach },
  at: Date,
): Promise<Shown> {
  const up = await sharedUp(tx, id);
  const found = up[0]!;
  const root = {
    ...found,
    audience: audience ?? (found.audience === "team" ? "link" : found.audience),
    reach: reach ?? found.reach,
    sharedUntil: null,
  };
  return shownOf(tx, root, up, at);
}

/** @param up the root and what it stands in */
async function shownOf(tx: Tx, root: SharedNode, up: readonly SharedNode[], at: Date): Promise<Shown> {
  return { root, inside: shownInside(await sharedDown(tx, root), root, at), above: aboveOf(up, at) };
}

/** What a collection stands in, as far as everybody may see it. */
export function aboveOf(up: readonly SharedNode[], at: Date): Way["above"] {
  const [own, ...more] = up;
  const open = own!.leftOut || own!.awayAt ? null : openedBy(more, null, at);
  if (!open) return [];
  return more
    .slice(0, more.indexOf(open) + 1)
    .map((one) => ({ title: one.title, door: { code: open.code, part: one === open ? null : one.id } }))
    .reverse();
}

/** How readers of what is shown get to one of its parts. */
function doorTo({ root }: Shown, one: Shared): Door {
  if (one.id === root.id) return { code: null, part: null };
  return root.reach === "all" ? { code: null, part: one.id } : { code: one.code, part: null };
}

/** What stands in one of the collections that are shown, with what it is woven from. */
export async function insideOf(tx: Tx, shown: Shown, id: string): Promise<InsideCollection[]> {
  const byParent = groupBy(shown.inside, (one) => one.parent);
  const under = (parent: string) => byParent.get(parent) ?? [];
  const all = (parent: string): SharedNode[] => under(parent).flatMap((one) => [one, ...all(one.id)]);
  const cloths = await clothOf(
    tx,
    all(id).map((one) => one.id),
    true,
  );
  const walk = (one: SharedNode): InsideCollection => {
    const { threads, tags, items, minutes } = cloths.get(one.id)!;
    const inside = under(one.id).map(walk);
    return {
      ...{ id: one.id, title: one.title, door: doorTo(shown, one) },
      ...{ count: items, minutes, cloth: { threads, tags }, inside },
    };
  };
  return under(id).map(walk);
}

/** Where one of the collections that are shown stands on the way through all of them. */
export function wayOf(shown: Shown, id: string): Way | null {
  const stop = (one: SharedNode) => ({ title: one.title, door: doorTo(shown, one) });
  const all = [shown.root, ...(shown.root.reach === "all" ? shown.inside : [])];
  const known = new Map(all.map((one) => [one.id, one]));
  const above: Way["above"] = [];
  for (let up = known.get(known.get(id)?.parent ?? ""); up && id !== shown.root.id;) {
    above.unshift(stop(up));
    if (up.id === shown.root.id) break;
    up = known.get(up.parent ?? "");
  }
  const at = all.findIndex((one) => one.id === id);
  const [before, next] = [all[at - 1], all[at + 1]];
  const way = {
    above: [...shown.above, ...above],
    before: before ? stop(before) : null,
    next: next ? stop(next) : null,
  };
  return way.above.length || way.before || way.next ? way : null;
}
