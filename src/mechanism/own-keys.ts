import type { Change } from "@/core/history/change";
import { placeAfter } from "@/core/order/place";
import type { Tx } from "@/data/database";
import { type InOrder, sharingKey, withSharedKeys, writeKeys } from "@/data/queries/order";

const IN_ORDER = ["collection", "section", "placement"] satisfies InOrder[];

/**
 * Gives what these changes have put or brought back somewhere a key of its own, right behind whatever has come to stand
 * there since.
 * @param changes as they are made already
 * @returns what was done, of the neighbours too where they had to be spread anew
 */
export async function giveOwnKeys(tx: Tx, changes: readonly Change[]): Promise<Change[]> {
  const given: Change[] = [];
  for (const what of IN_ORDER) {
    const put = changes.filter(
      ({ type, after }) => type === what && (after?.position !== undefined || after?.gone === false),
    );
    const ids = put.map(({ id }) => id);
    for (const id of ids.length ? await withSharedKeys(tx, what, ids) : []) {
      // The one before may have been the other.
      const shared = await sharingKey(tx, what, id);
      if (!shared) continue;
      const { position, respread } = placeAfter(shared.others, shared.other);
      const moved = [...respread, { id, position }];
      await writeKeys(tx, what, moved);
      const before = new Map(
        [...shared.others, { id, position: shared.position }].map((one) => [one.id, one.position]),
      );
      for (const one of moved)
        given.push({
          type: what,
          id: one.id,
          before: { position: before.get(one.id) },
          after: { position: one.position },
        });
    }
  }
  return given;
}

/**
 * The changes of an entry with the keys things have got instead of those they had, so that they can be made again.
 * @param side the one that is so now
 */
export function withKeys(
  changes: readonly Change[],
  keys: ReadonlyMap<string, string>,
  side: "before" | "after",
): Change[] {
  return changes.map((change) => {
    const position = keys.get(change.id);
    const fields = change[side];
    return position === undefined || fields?.position === undefined
      ? change
      : { ...change, [side]: { ...fields, position } };
  });
}
