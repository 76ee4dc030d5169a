/**
 * A date as precise as its source: `2026`, `2026-03` or `2026-03-09`; null when it is none.
 * Takes ISO 8601, the slashed form of citation tags (2026/3/9) and dates of mail and HTTP (RFC 5322).
 */
export function partialDate(value: string | undefined | null): string | null {
  const text = value?.trim();
  if (!text) return null;
  const iso =
    /^(\d{4})(?:[-/.](\d{1,2})(?:[-/.](\d{1,2}))?)?(?:[T\s].*)?$/.exec(text) ??
    /^(\d{4})(\d{2})(\d{2})$/.exec(text);
  if (iso) {
    const [, year, month, day] = iso;
    if (!month) return plausible(year!, 1, 1) ? year! : null;
    if (!day) return plausible(year!, +month, 1) ? `${year}-${month.padStart(2, "0")}` : null;
    return plausible(year!, +month, +day)
      ? `${year}-${month.padStart(2, "0")}-${day.padStart(2, "0")}`
      : null;
  }
  if (!/\d{4}/.test(text)) return null;
  const time = Date.parse(/[A-Za-z]{3}/.test(text) && !/\d:\d/.test(text) ? `${text} UTC` : text);
  return Number.isNaN(time) ? null : new Date(time).toISOString().slice(0, 10);
}

function plausible(year: string, month: number, day: number): boolean {
  const date = new Date(Date.UTC(+year, month - 1, day));
  return +year >= 1000 && date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
}

/**
 * Seconds of an ISO 8601 duration (`PT12M5S`, `P0DT1H`) or of plain seconds; null when it is neither.
 * @param value a duration of ISO 8601 (`PT1M30S`), or seconds as a number
 */
export function durationSeconds(value: string | undefined | null): number | null {
  const text = value?.trim() ?? "";
  if (/^\d+(\.\d+)?$/.test(text)) return Math.round(+text) || null;
  const parts = /^P(?:(\d+)D)?(?:T(?:(\d+)H)?(?:(\d+)M)?(?:(\d+(?:\.\d+)?)S)?)?$/.exec(text);
  if (!parts) return null;
  const [, d = 0, h = 0, m = 0, s = 0] = parts;
  return Math.round(+d * 86_400 + +h * 3_600 + +m * 60 + +s) || null;
}
