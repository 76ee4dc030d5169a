const UNITS = [
  ["year", 31_557_600],
  ["month", 2_629_800],
  ["week", 604_800],
  ["day", 86_400],
  ["hour", 3_600],
  ["minute", 60],
] as const;

/** The largest unit that a number of seconds fills, and how many of it; null below a minute. */
function largestUnit(seconds: number): { unit: (typeof UNITS)[number][0]; count: number } | null {
  const found = UNITS.find(([, length]) => seconds >= length);
  return found ? { unit: found[0], count: Math.floor(seconds / found[1]) } : null;
}

const secondsSince = (time: string) => (Date.now() - Date.parse(time)) / 1000;

/** "2 days ago", "yesterday", "just now". */
export function sayAgo(time: string): string {
  const found = largestUnit(secondsSince(time));
  return found
    ? new Intl.RelativeTimeFormat("en-GB", { numeric: "auto" }).format(-found.count, found.unit)
    : "just now";
}

/** "2 days", for how long something has waited; null when it has only just come. */
export function saySince(time: string): string | null {
  const found = largestUnit(secondsSince(time));
  return (
    found &&
    new Intl.NumberFormat("en-GB", { style: "unit", unit: found.unit, unitDisplay: "long" }).format(
      found.count,
    )
  );
}
