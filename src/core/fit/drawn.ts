import type { Candidate } from "./choice";

/**
 * Candidates drawn at random, for tests and measurements.
 * @param random gives numbers from 0 up to 1
 */
export function drawnCandidates(things: number, outcomes: number, random: () => number): Candidate[] {
  const below = (n: number) => Math.floor(random() * n);
  return Array.from({ length: things }, (_, i) => {
    const served = new Set(Array.from({ length: below(4) }, () => String(below(outcomes))));
    return {
      ...{ id: String(i), minutes: 1 + below(30), stays: random() < 0.04, plays: random() < 0.35 },
      ...{ site: `site ${below(Math.ceil(things / 5))}`, lix: random() < 0.7 ? 20 + below(45) : null },
      serves: [...served].map((outcome) => ({ outcome, full: random() < 0.5 })),
      judged: random() < 0.6 ? below(21) / 20 : null,
    };
  });
}
