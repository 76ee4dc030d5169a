import { isFound, LINK_STATES, type LinkState, LOST } from "./link-state";

const [HOUR, DAY] = [3_600_000, 86_400_000];

/** How often an address that answers is asked; what has just changed hands is looked at sooner. */
const EVERY: Record<LinkState, number> = {
  ok: 14 * DAY,
  moved: 14 * DAY,
  changed: 14 * DAY,
  front: 7 * DAY,
  missing: 7 * DAY,
  gone: 7 * DAY,
  certificate: 3 * DAY,
  "sign-in": 14 * DAY,
  silent: DAY,
  unreachable: DAY,
};
/** One that does not answer is asked ever more seldom, up to this. */
const PATIENCE = 14 * DAY;
/** So often in a row something has to be wrong before anybody is told: sites have bad days. */
export const BAD_DAYS = 2;
/** A site that does not answer may be mended: told after 1 + 2 + 4 + 8 days. */
const BAD_WEEKS = 5;
/** How often in a row something has to be so before it is told. */
export const timesToTell = (state: LinkState): number => (state === "silent" ? BAD_WEEKS : BAD_DAYS);
/** The states that are told after so many times. */
export const toldAfter = (times: number): LinkState[] =>
  LINK_STATES.filter((state) => isFound(state) && timesToTell(state) === times);

export type Watched = {
  at: Date;
  state: LinkState;
  /** How often in a row it has been so, this time counted. */
  times: number;
  /** For how long the site said that it is not to be asked, in milliseconds. */
  wait?: number | null;
  /** Any number of the address itself, from 0 to 1: those that were asked together part with time. */
  apart: number;
};

/**
 * When an address is asked next: sooner while something that was found is not certain yet, else by what was found; one that does not
 * answer after a day, then twice as long each time; never before the site asks for it (Retry-After).
 */
export function nextLooked({ at, state, times, wait, apart }: Watched): Date {
  const usual =
    state === "unreachable" || state === "silent"
      ? Math.min(PATIENCE, EVERY[state] * 2 ** Math.min(times - 1, 10))
      : state !== "ok" && times < BAD_DAYS
        ? 20 * HOUR
        : EVERY[state];
  return new Date(
    at.getTime() + Math.max(Math.round(usual * (1 + 0.1 * apart)), Math.min(wait ?? 0, PATIENCE)),
  );
}

/** Whether what was found is told: it is certain, something is to be done about it, and nobody has said that it is alright. */
export const isTold = ({
  state,
  times,
  settled,
}: {
  state: LinkState;
  times: number;
  settled: LinkState | null;
}): boolean => isFound(state) && times >= timesToTell(state) && settled !== state;

/** Whether readers are given the copy in its stead: what they would meet is not there. */
export const isLost = (watch: Parameters<typeof isTold>[0]): boolean =>
  isTold(watch) && LOST.includes(watch.state);

/** How many links are at how many sites. */
export type Spread = { links: number; hosts: number; mostOfOne: number };
/** What watching them takes. */
export type Plan = {
  /** In how many days all of them are asked once. */
  days: number;
  /** Requests a day, of all of them, and of the site with the most. */
  aDay: number;
  ofOneADay: number;
};

/** What it takes to watch some links, each as often as one that answers, and no site more often than is set. @param pause seconds between two requests of one site */
export function planOf({ links, mostOfOne }: Spread, pause: number): Plan {
  const mostADay = Math.floor(DAY / 1_000 / pause);
  const days = Math.max(EVERY.ok / DAY, mostOfOne / mostADay);
  return { days, aDay: Math.ceil(links / days), ofOneADay: Math.ceil(mostOfOne / days) };
}
