import { insideOf } from "@/core/list/tree-moves";
import { type Offered, offeredOf } from "@/core/shelves/offered";
import type { Tx } from "@/data/database";
import { collectionTree } from "@/data/queries/collections";
import { type CreditRow, ownWords } from "@/data/queries/credits";
import { contentOf } from "../editions/stored-content";
import { type Lent, lentContent } from "./lent";

export type Offers = {
  /** What the lender shows now; null: it is public no more. */
  lent: Lent | null;
  offered: Offered[];
};

/** A collection and all those inside it: what is taken with credit is looked for there. */
export const withinOf = async (tx: Tx, team: string, collection: string): Promise<Set<string>> =>
  insideOf(await collectionTree(tx, team), collection);

/**
 * What a lender has changed since something was taken, as far as it can be taken still.
 * @param within the collections in which what was taken is looked for
 */
export async function offersOf(
  tx: Tx,
  credit: CreditRow,
  within: ReadonlySet<string>,
  at: Date,
): Promise<Offers> {
  const lent = await lentContent(tx, credit.lender, at);
  if (!lent || !credit.asks) return { lent, offered: [] };
  const taken = await contentOf(credit.digest);
  const own = await ownWords(tx, Object.values(credit.pairs), within);
  const now = lent.content.collection;
  return { lent, offered: offeredOf(taken.collection, now, credit.pairs, own, credit.settled) };
}
