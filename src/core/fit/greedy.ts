import {
  type Candidate,
  isTooHard,
  minutesOfAll,
  mostOfSite,
  playsLittle,
  type Wishes,
  worthOf,
  worthOfOutcome,
} from "./choice";

/**
 * A choice that is there at once: what must stay, and then again and again what brings most for its minutes. It may not be the best, and
 * `null` does not prove that there is none.
 * @returns what stays, in the order of the candidates
 */
export function chooseAtOnce(candidates: readonly Candidate[], wishes: Wishes): Candidate[] | null {
  const kept = new Set(candidates.filter(({ stays }) => stays));
  const open = new Set(candidates.filter((one) => !one.stays && !isTooHard(one, wishes)));
  const most = new Map(
    [...new Set(candidates.map(({ site }) => site))].map((site) => [
      site,
      mostOfSite(candidates, site, wishes),
    ]),
  );
  const ofSite = new Map<string, number>();
  const served = new Set<string>();
  const outcome = worthOfOutcome(candidates);
  let left = wishes.minutes;
  const take = (one: Candidate) => {
    left -= one.minutes;
    ofSite.set(one.site, (ofSite.get(one.site) ?? 0) + 1);
    for (const key of servedBy(one)) served.add(key);
    kept.add(one);
    open.delete(one);
  };
  for (const one of kept) take(one);
  if (left < 0) return null;
  for (;;) {
    let best: Candidate | null = null;
    let mostAMinute = 0;
    for (const one of open) {
      if (one.minutes > left || (ofSite.get(one.site) ?? 0) >= most.get(one.site)!) continue;
      if (one.plays && !playsLittle([...kept, one], wishes)) continue;
      const brings = servedBy(one).filter((key) => !served.has(key)).length * outcome + worthOf(one);
      const aMinute = brings / Math.max(1, one.minutes);
      if (aMinute > mostAMinute) [best, mostAMinute] = [one, aMinute];
    }
    if (!best) break;
    take(best);
  }
  const chosen = candidates.filter((one) => kept.has(one));
  return minutesOfAll(chosen) <= wishes.minutes && playsLittle(chosen, wishes) ? chosen : null;
}

const servedBy = ({ serves }: Candidate): string[] =>
  serves.flatMap(({ outcome, full }) =>
    full ? [`some ${outcome}`, `full ${outcome}`] : [`some ${outcome}`],
  );
