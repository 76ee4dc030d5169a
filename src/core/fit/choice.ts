/** Something that can be chosen for a lesson or a week, with all that decides on it. */
export type Candidate = {
  id: string;
  /** Whole ones, for reading or playing it and for what is done with it. */
  minutes: number;
  /** It was said that it must stay. */
  stays: boolean;
  /** A film or a sound. */
  plays: boolean;
  /** The site it comes from; empty: none. */
  site: string;
  /** How hard it is to read; null: that is not known. */
  lix: number | null;
  serves: readonly { outcome: string; full: boolean }[];
  /** How good it was judged, from 0 to 1; null: by nobody. */
  judged: number | null;
};

/** What a choice has to keep to; null: it need not. */
export type Wishes = {
  minutes: number;
  /** At the most so many of one site. */
  ofASite: number | null;
  /** Films and sounds take at the most so much of the time, in percent. */
  playing: number | null;
  /** No text is harder than this, by LIX. */
  level: number | null;
};

/** What one item more is worth beside how good it was judged: two of the worst are as good as one of the best. */
const [BY_ITSELF, JUDGED] = [10, 10];
/** What nobody has judged counts as middling. */
const MIDDLING = 0.5;

/** What keeping a candidate is worth, as a whole number. */
export const worthOf = ({ judged }: Candidate): number =>
  BY_ITSELF + Math.round((judged ?? MIDDLING) * JUDGED);

/** A candidate that must go whatever else stays. */
export const isTooHard = ({ stays, lix }: Candidate, { level }: Wishes): boolean =>
  !stays && level !== null && lix !== null && lix > level;

/** What of one site may stay: what must stay in any case may be more than is wished for. */
export function mostOfSite(candidates: readonly Candidate[], site: string, { ofASite }: Wishes): number {
  if (!site || ofASite === null) return Infinity;
  return Math.max(ofASite, candidates.filter((one) => one.stays && one.site === site).length);
}

/** How many outcomes are served by some of the chosen, and how many of them whole. */
export type Covered = { some: number; full: number };

export function coveredBy(chosen: readonly Candidate[]): Covered {
  const some = new Set<string>();
  const full = new Set<string>();
  for (const { serves } of chosen)
    for (const one of serves) {
      some.add(one.outcome);
      if (one.full) full.add(one.outcome);
    }
  return { some: some.size, full: full.size };
}

/** More than anything that can be kept: an outcome is never given for it. */
export const worthOfOutcome = (candidates: readonly Candidate[]): number =>
  1 + candidates.reduce((sum, one) => sum + worthOf(one), 0);

/** What a choice is worth: first every outcome it serves, and serves whole, then what it keeps. */
export function valueOf(candidates: readonly Candidate[], chosen: readonly Candidate[]): number {
  const { some, full } = coveredBy(chosen);
  return (some + full) * worthOfOutcome(candidates) + chosen.reduce((sum, one) => sum + worthOf(one), 0);
}

/** What a choice takes. */
export const minutesOfAll = (chosen: readonly Candidate[]): number =>
  chosen.reduce((sum, { minutes }) => sum + minutes, 0);

/** Whether films and sounds keep to their part of the time. */
export function playsLittle(chosen: readonly Candidate[], { playing }: Wishes): boolean {
  return (
    playing === null ||
    100 * minutesOfAll(chosen.filter(({ plays }) => plays)) <= playing * minutesOfAll(chosen)
  );
}

/** Whether a choice keeps to all that is wished, and everything that must stay is in it. */
export function holds(
  candidates: readonly Candidate[],
  chosen: readonly Candidate[],
  wishes: Wishes,
): boolean {
  const kept = new Set(chosen);
  return (
    minutesOfAll(chosen) <= wishes.minutes &&
    candidates.every((one) => !one.stays || kept.has(one)) &&
    chosen.every((one) => !isTooHard(one, wishes)) &&
    playsLittle(chosen, wishes) &&
    [...new Set(chosen.map(({ site }) => site))].every(
      (site) => chosen.filter((one) => one.site === site).length <= mostOfSite(candidates, site, wishes),
    )
  );
}
