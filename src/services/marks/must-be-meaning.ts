import { meaningsOf } from "@/data/queries/marks";
import type { Tx } from "@/data/database";
import { fieldProblem } from "@/mechanism/problem";

/** @throws {Problem} meaning-gone, when a team does not mean this by its marks */
export async function mustBeMeaning(tx: Tx, team: string, meaning: string | null | undefined): Promise<void> {
  if (!meaning) return;
  const found = (await meaningsOf(tx, team)).find((one) => one.id === meaning);
  if (!found || found.removedAt) throw fieldProblem("meaning", "meaning-gone");
}
