import type { MailTime } from "./notices";

/** At which hours letters come to somebody. */
export type MailHours = {
  /** A time zone by its name (IANA), such as Europe/Tallinn; empty: they have not said, and UTC holds. */
  zone: string;
  /** From and until which hour of the day no letter is sent; null: at any. */
  quietFrom: number | null;
  quietUntil: number | null;
};

export const ANY_HOUR: MailHours = { zone: "", quietFrom: null, quietUntil: null };

/** Whoever is there reads it in the meantime: so long a letter waits, in milliseconds. */
const MEANWHILE = 5 * 60_000;
/** The hour at which the daily letter goes: before work. Where no zone is known it is so by UTC in most of Europe and Africa. */
const DAILY_HOUR = { known: 7, unknown: 5 };
const QUARTER = 15 * 60_000;
/** Two days and an hour, in quarters: where clocks are put on, an hour may be missing on one day. */
const MOST = 49 * 4;

const formats = new Map<string, Intl.DateTimeFormat>();

/** Whether there is a time zone of this name. */
export function isZone(name: string): boolean {
  try {
    return Boolean(clockIn(name));
  } catch {
    return false;
  }
}

function clockIn(zone: string): Intl.DateTimeFormat {
  const known = formats.get(zone);
  if (known) return known;
  const made = new Intl.DateTimeFormat("en-GB", {
    ...{ timeZone: zone || "UTC", hour: "2-digit", minute: "2-digit", hourCycle: "h23" },
  });
  formats.set(zone, made);
  return made;
}

/** The time of the day there, in hours and minutes. */
function timeIn(zone: string, at: Date): { hour: number; minute: number } {
  const [hour, minute] = clockIn(zone).format(at).split(":").map(Number);
  return { hour: hour!, minute: minute! };
}

/** The next moment, after this one, at which it is that hour there. Zones differ by quarters of an hour. */
function nextAtHour(zone: string, wanted: number, at: Date): Date {
  let time = Math.floor(at.getTime() / QUARTER) * QUARTER;
  for (let n = 0; n < MOST; n++) {
    time += QUARTER;
    const { hour, minute } = timeIn(zone, new Date(time));
    if (hour === wanted && minute === 0) break;
  }
  return new Date(time);
}

/** Whether letters are not to come at this moment; from one hour to the same one is never. */
function isQuiet({ zone, quietFrom: from, quietUntil: until }: MailHours, at: Date): boolean {
  if (from === null || until === null || from === until) return false;
  const { hour } = timeIn(zone, at);
  return from < until ? hour >= from && hour < until : hour >= from || hour < until;
}

/** When a letter about something that happens now goes out. */
export function mailedAt(time: Exclude<MailTime, "never">, at: Date, hours: MailHours): Date {
  const daily = hours.zone ? DAILY_HOUR.known : DAILY_HOUR.unknown;
  const wanted = time === "at-once" ? new Date(at.getTime() + MEANWHILE) : nextAtHour(hours.zone, daily, at);
  return isQuiet(hours, wanted) ? nextAtHour(hours.zone, hours.quietUntil!, wanted) : wanted;
}
