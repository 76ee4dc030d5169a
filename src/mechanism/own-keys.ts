import type { Change } from "@/core/history/change";
import { placeAfter } from "@/core/order/place";
import type { Tx } from "@/data/database";
import { type InOrder, respread, sharingKey, withSharedKeys } from "@/data/queries/order";

const IN_ORDER = ["collection", "section", "placement"] satisfies InOrder[];

/**
 * Gives what these changes have put or brought back somewhere a key of its own, right behind whatever has come to stand
 * there since.
 * @param changes as they are made already
 * @returns the keys that are other ones than the changes say, by id
 */
export async function giveOwnKeys(tx: Tx, changes: readonly Change[]): Promise<Map<string, string>> {
  const keys = new Map<string, string>();
  for (const what of IN_ORDER) {
    const put = changes.filter(
      ({ type, after }) => type === what && (after?.position !== undefined || after?.gone === false),
    );
    const ids = put.map(({ id }) => id);
    for (const id of ids.length ? await withSharedKeys(tx, what, ids) : []) {
      // The one before may have been the other.
      const shared = await sharingKey(tx, what, id);
      if (!shared) continue;
      const { position, respread: moved } = placeAfter(shared.others, shared.other);
      await respread(tx, what, [...moved, { id, position }]);
      keys.set(id, position);
    }
  }
  return keys;
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
