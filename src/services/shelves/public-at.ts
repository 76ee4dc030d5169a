import { pointedTo } from "@/core/uses/portfolio";
import type { Tx } from "@/data/database";
import { publicNow } from "@/data/queries/listings";
import { byShareCode, sharedUp } from "@/data/queries/sharing";
import { fieldProblem } from "@/mechanism/problem";
import { addressOfHobbin } from "../accounts/address";

/**
 * The public collection an address leads to, to be shown in another one as it stands there.
 * @param within where it would be shown
 * @throws {Problem} with a word at `shownLive`, when it leads to none, or into what it would stand in
 */
export async function publicAt(tx: Tx, address: string, within: string, at: Date): Promise<string> {
  const pointed = pointedTo(address, addressOfHobbin());
  const found = pointed?.isWhole ? await byShareCode(tx, pointed.code) : null;
  if (!found || !(await publicNow(tx, found.id, at))) throw fieldProblem("shownLive", "leads-to-none");
  await refuseWithin(tx, found.id, within);
  return found.id;
}

/** @throws {Problem} when a collection, or one it stands in, would be shown in itself */
export async function refuseWithin(tx: Tx, id: string, within: string): Promise<void> {
  const up = await sharedUp(tx, within);
  if (up.some((one) => one.id === id)) throw fieldProblem("shownLive", "in-itself");
}
