import type { EditionContent } from "@/core/editions/content";
import { type Offered, offeredOf } from "@/core/shelves/offered";
import type { Tx } from "@/data/database";
import { type CreditRow, ownWords } from "@/data/queries/credits";
import { contentOf } from "../editions/stored-content";
import { lentContent } from "./lent";

export type Offers = {
  /** What the lender shows now; null: it is public no more. */
  lent: EditionContent | null;
  offered: Offered[];
};

/** What a lender has changed since a collection was taken, as far as it can be taken still. */
export async function offersOf(tx: Tx, credit: CreditRow, at: Date): Promise<Offers> {
  const lent = await lentContent(tx, credit.lender, at);
  if (!lent || !credit.asks) return { lent, offered: [] };
  const taken = await contentOf(credit.digest);
  const own = await ownWords(tx, Object.values(credit.pairs));
  return { lent, offered: offeredOf(taken.collection, lent.collection, credit.pairs, own, credit.settled) };
}
