/** So many months are shown of how a tag is used. */
export const MONTHS = 24;

/**
 * The first of the month so many months back.
 * @param from any day
 * @param months how many, 0 or more
 */
export const back = (from: Date, months: number) =>
  new Date(Date.UTC(from.getUTCFullYear(), from.getUTCMonth() - months + 1, 1));
