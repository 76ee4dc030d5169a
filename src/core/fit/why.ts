import { type Candidate, isTooHard, mostOfSite, playsLittle, type Wishes } from "./choice";

/** Why something does not stay: the first of these that holds. */
type Why = "too hard" | "enough of its site" | "enough is played" | "no time";
/** What goes, why, and which outcomes nothing serves any more without it. */
export type Goes = { candidate: Candidate; why: Why; misses: string[] };

/**
 * Says of everything that goes why it does. A single thing more would break what is wished; where it would not, there is no time for it
 * beside what brings more.
 */
export function whyTheyGo(
  candidates: readonly Candidate[],
  chosen: readonly Candidate[],
  wishes: Wishes,
): Goes[] {
  const kept = new Set(chosen);
  const served = new Set(chosen.flatMap(({ serves }) => serves.map(({ outcome }) => outcome)));
  return candidates
    .filter((one) => !kept.has(one))
    .map((one) => ({
      candidate: one,
      why: isTooHard(one, wishes)
        ? "too hard"
        : chosen.filter(({ site }) => site === one.site).length >= mostOfSite(candidates, one.site, wishes)
          ? "enough of its site"
          : one.plays && !playsLittle([...chosen, one], wishes)
            ? "enough is played"
            : "no time",
      misses: one.serves.map(({ outcome }) => outcome).filter((outcome) => !served.has(outcome)),
    }));
}

/** So many things are otherwise in a second choice: a fifth of what stays in the first, and two at least. */
export const otherwiseBy = (first: readonly Candidate[]): number => Math.max(2, Math.round(first.length / 5));
