import { drawing } from "@/core/appraise/agreement/random";
import { type Candidate, minutesOfAll, type Wishes } from "@/core/fit/choice";
import { drawnCandidates } from "@/core/fit/drawn";

/** Choices too large to try every one, with all that can be wished. */
export function fitCases(): { name: string; candidates: Candidate[]; wishes: Wishes }[] {
  return Array.from({ length: 12 }, (_, i) => {
    const candidates = drawnCandidates(50 + 10 * i, 10 + i, drawing(100 + i));
    const must = minutesOfAll(candidates.filter(({ stays }) => stays));
    const wishes: Wishes = {
      minutes: must + 60 + 20 * i,
      ofASite: i % 2 ? 2 : null,
      playing: i % 3 ? 50 : null,
      level: i % 4 ? 55 : null,
    };
    return { name: `${candidates.length} things, ${10 + i} outcomes`, candidates, wishes };
  });
}
