import type { Tx } from "@/data/database";
import { findHandout } from "@/data/queries/handouts";
import type { Holder } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

/**
 * A handout that was given to the group of who holds the card.
 * @throws {Problem} handout-gone
 */
export async function handoutForCard(tx: Tx, holder: Holder, id: string) {
  const found = await findHandout(tx, id);
  if (!found || found.group !== holder.group || found.deletedAt) throw new Problem("handout-gone");
  return found;
}
