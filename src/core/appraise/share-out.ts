/**
 * Shares things out among people, so many of them to each thing: everybody gets as many as everybody else (one more at most),
 * and everybody is put together with everybody about as often.
 * @param things how many there are
 * @param people how many there are
 * @param each how many people judge one thing; more than there are: all of them
 * @returns for each thing who judges it, by their places among the people, in ascending order
 * @example
 * shareOut(3, 3, 2); // [[0, 1], [0, 2], [1, 2]]
 */
export function shareOut(things: number, people: number, each: number): number[][] {
  const all = Array.from({ length: people }, (_, i) => i);
  if (each >= people) return Array.from({ length: things }, () => all);
  const loads = all.map(() => 0);
  const together = all.map(() => all.map(() => 0));
  return Array.from({ length: things }, () => {
    const chosen: number[] = [];
    while (chosen.length < each) {
      const times = (one: number) => chosen.reduce((sum, other) => sum + together[one]![other]!, 0);
      const next = all
        .filter((one) => !chosen.includes(one))
        .reduce((best, one) => ((loads[one]! - loads[best]! || times(one) - times(best)) < 0 ? one : best));
      chosen.push(next);
    }
    for (const one of chosen) {
      loads[one]!++;
      for (const other of chosen) if (other !== one) together[one]![other]!++;
    }
    return chosen.sort((a, b) => a - b);
  });
}
