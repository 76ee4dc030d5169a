import { didYouMean } from "@/core/search/did-you-mean";
import { fold } from "@/core/search/tokens";
import type { Tx } from "@/data/database";
import { type Sought, termsBeginning } from "@/data/search/terms";

/** The query with the words the team does not know exchanged for the likeliest it knows; null when there are none. */
export async function meantBy(
  tx: Tx,
  team: string,
  text: string,
  { sought }: { sought: readonly Sought[] },
): Promise<string | null> {
  let better = text;
  for (const { typed, terms } of sought) {
    if (terms.length) continue;
    const word = fold(typed);
    const known = await termsBeginning(tx, team, word.slice(0, 1), 3_000);
    const meant = didYouMean(word, known);
    if (meant) better = better.replace(typed, meant);
  }
  return better === text ? null : better;
}
