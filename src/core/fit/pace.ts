import { WORDS_A_MINUTE } from "../text/minutes";

/** What can be meant by a reading speed at all, in words of English a minute. */
export const [SLOWEST, FASTEST] = [40, 600];

/**
 * Words of English read in silence in a minute with the understanding asked for at school, by age: Taylor (1965), "Eye movements in
 * reading: facts and fallacies", American Educational Research Journal 2(4), its table, from memory: grades 2, 4, 6, 8 and 10, in which
 * pupils of these ages are (common practice). For adults Brysbaert (2019), as in core/text/minutes.
 */
export const PACES: readonly { pace: number; readers: string }[] = [
  { pace: 115, readers: "7 to 8 years old" },
  { pace: 158, readers: "9 to 10 years old" },
  { pace: 185, readers: "11 to 12 years old" },
  { pace: 204, readers: "13 to 14 years old" },
  { pace: 224, readers: "15 to 16 years old" },
  { pace: WORDS_A_MINUTE, readers: "adults" },
];

type Paced = { id: string; parent: string | null; readingPace: number | null };

/**
 * How fast those read whom a collection is for: as was said of it, or of the nearest it stands in.
 * @param from of which collection it was said; null: of none
 */
export function paceAt(tree: ReadonlyMap<string, Paced>, id: string): { pace: number; from: string | null } {
  for (let one = tree.get(id); one; one = tree.get(one.parent ?? ""))
    if (one.readingPace !== null) return { pace: one.readingPace, from: one.id };
  return { pace: WORDS_A_MINUTE, from: null };
}
