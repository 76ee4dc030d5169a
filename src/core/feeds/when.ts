const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

/** A feed is asked no more often than this, and no more seldom while it answers. */
const SOONEST = HOUR;
const LATEST = DAY;
/** Where nothing is known of how often something comes. */
const UNKNOWN = 6 * HOUR;
/** One that does not answer is asked ever more seldom, up to this. */
const PATIENCE = 7 * DAY;
/** One that is gone for good (410) is looked at once more after this. */
const GONE = 30 * DAY;
/** Gaps between so many of the newest are looked at. */
const GAPS = 10;

/** What is known when a feed was asked. */
export type Asked = {
  at: Date;
  /** How often in a row it has not answered, this time counted. */
  failures: number;
  /** It says it is gone for good. */
  isGone?: boolean;
  /** After how long it is asked again while it answers, by what comes in it (`usualWait`), in milliseconds. */
  usual: number;
  /** For how long its answer said that it needs not be asked again, in milliseconds. */
  fresh?: number | null;
  /** Any number of the feed itself, from 0 to 1: those that were asked together part with time. */
  apart: number;
};

/**
 * When a feed is to be asked next. While it answers: as it is usual there, and no sooner than it asks for, up to a day. When
 * it fails: after an hour, then twice as long each time, up to a week, and no sooner than it asks for (Retry-After), up to
 * that week.
 */
export function nextAsked({ at, failures, isGone, usual, fresh, apart }: Asked): Date {
  const after = (wait: number) => new Date(at.getTime() + Math.round(wait * (1 + 0.1 * apart)));
  if (isGone) return after(GONE);
  if (failures > 0) {
    const backOff = Math.min(PATIENCE, HOUR * 2 ** Math.min(failures - 1, 20));
    return after(Math.max(backOff, Math.min(fresh ?? 0, PATIENCE)));
  }
  return after(Math.max(usual, Math.min(fresh ?? 0, LATEST)));
}

/**
 * After how long a feed is asked again while it answers: half the usual (median) gap between what came, within an hour and
 * a day.
 * @param came when its newest entries came, in any order
 * @returns milliseconds
 */
export const usualWait = (came: readonly Date[]): number => Math.min(LATEST, Math.max(SOONEST, pace(came)));

function pace(came: readonly Date[]): number {
  const times = came.map((one) => one.getTime()).sort((a, b) => b - a);
  const gaps = times.slice(1, GAPS + 1).map((time, i) => times[i]! - time);
  if (!gaps.length) return UNKNOWN;
  gaps.sort((a, b) => a - b);
  return gaps[gaps.length >> 1]! / 2;
}

/**
 * How long an answer says one is to wait: seconds, or a moment (RFC 9110, 10.2.3, Retry-After).
 * @returns milliseconds; null: it says nothing that can be understood
 */
export function retryAfter(value: string | undefined, at: Date): number | null {
  const said = value?.trim() ?? "";
  if (/^\d+$/.test(said)) return Number(said) * 1_000;
  // Only a full date is one; others are taken for all sorts of years.
  const moment = /^[A-Za-z]{3,9},? /.test(said) ? Date.parse(said) : NaN;
  return Number.isNaN(moment) ? null : Math.max(0, moment - at.getTime());
}

/**
 * For how long an answer is fresh (RFC 9111, 4.2.1: `max-age`, or else `Expires` less `Date`).
 * @returns milliseconds; null: it says nothing
 */
export function freshFor(headers: Readonly<Record<string, string>>): number | null {
  const control = headers["cache-control"] ?? "";
  if (/(?:^|[\s,])no-(?:store|cache)(?:$|[\s,=])/i.test(control)) return null;
  const age = /(?:^|[\s,])max-age="?(\d+)/i.exec(control);
  if (age) return Number(age[1]) * 1_000;
  const [until, from] = [headers.expires, headers.date].map((one) => Date.parse(one ?? ""));
  return Number.isNaN(until) || Number.isNaN(from) ? null : Math.max(0, until! - from!);
}
