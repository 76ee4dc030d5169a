/** As much of an event as says with which others it is told. */
type Told = { verb: string; actor: string | null; at: string };

/** Things of one kind that one person did after each other, newest first. */
type Deed<T extends Told> = { event: T; others: T[] };
export type Day<T extends Told> = { day: string; deeds: Deed<T>[] };

/**
 * What happened, by the days of whoever reads it; what somebody did several times after each other is told once.
 * @param events newest first
 * @param dayOf the day of a moment, where the reader is
 * @param isNew whether something came since they were here: a deed is wholly new or not at all
 * @example
 * byDay(events, (at) => at.slice(0, 10), () => false); // [{ day: "2026-05-04", deeds: [{ event, others: [] }] }]
 */
export function byDay<T extends Told>(
  events: readonly T[],
  dayOf: (at: string) => string,
  isNew: (event: T) => boolean,
): Day<T>[] {
  const days: Day<T>[] = [];
  for (const event of events) {
    const day = dayOf(event.at);
    if (days.at(-1)?.day !== day) days.push({ day, deeds: [] });
    const { deeds } = days.at(-1)!;
    const last = deeds.at(-1);
    const same =
      last?.event.verb === event.verb &&
      last.event.actor === event.actor &&
      isNew(last.event) === isNew(event);
    if (same) last.others.push(event);
    else deeds.push({ event, others: [] });
  }
  return days;
}
