/** A phase with the minutes of the lesson at which it begins and ends. */
type OnClock<P> = P & { from: number; to: number };

/**
 * The clock of a lesson: when each phase begins and ends, one after the other, and how the sum stands to the time there is.
 * @param phases in their order; one of which nobody has said how long it takes takes none
 * @param time how many minutes there are; null: nobody has said
 */
export function clockOf<P extends { minutes: number | null }>(phases: readonly P[], time: number | null) {
  let at = 0;
  const all: OnClock<P>[] = phases.map((phase) => ({ ...phase, from: at, to: (at += phase.minutes ?? 0) }));
  return {
    phases: all,
    total: at,
    /** Minutes that are left; less than none, when it takes longer than there is time. Null: nobody has said. */
    left: time === null ? null : time - at,
    /** Phases nobody has given a time. */
    open: phases.filter((phase) => phase.minutes === null).length,
  };
}

/**
 * A time of the day so many minutes after another.
 * @param begin as 08:15, or empty: then the minutes themselves
 */
export function sayTime(begin: string, minutes: number): string {
  const found = /^(\d{1,2}):(\d{2})$/.exec(begin);
  if (!found) return String(minutes);
  const at = (Number(found[1]) * 60 + Number(found[2]) + minutes) % 1_440;
  const two = (n: number) => String(n).padStart(2, "0");
  return `${two(Math.floor(at / 60))}:${two(at % 60)}`;
}
