/** Prices are whole thousandths of the currency: no currency of ISO 4217 has more than three digits behind the point that is paid with. */
const MILLS = 1000;
/** The dearest single thing, and the largest budget. Sums are exact up to 9 · 10¹² of any currency. */
export const MOST_MILLS = 100_000_000 * MILLS;

const SPACES = /[\s\u00a0\u202f'’]/g;

/**
 * Reads a price as people write it: 12, 12.50, 12,5, 1 234.50, 1.234,50. Of two different marks the last one begins what is behind the point;
 * a single mark before exactly three digits groups, unless a nought stands before it.
 * @returns thousandths; null when it is no price, is less than nothing, or is more than anything costs
 */
export function readPrice(text: string): number | null {
  const plain = text.trim().replace(SPACES, "");
  const found = /^(\d{1,3}(?:[.,]\d{3})+|\d+)(?:([.,])(\d{1,3}))?$/.exec(plain);
  if (!found) return null;
  const [, first = "", mark, behind = ""] = found;
  let [whole, rest] = [first, behind];
  const marks = new Set(whole.match(/[.,]/g));
  // 1.234.567,50 has one mark that groups and another one behind it.
  if (marks.size > 1 || (mark && marks.has(mark))) return null;
  if (!mark && marks.size === 1 && /^0[.,]\d{3}$/.test(whole)) [whole, rest] = ["0", whole.slice(2)];
  if (mark && rest.length === 3 && !marks.size && /^[1-9]\d{0,2}$/.test(whole))
    [whole, rest] = [whole + rest, ""];
  const mills = Number(whole.replace(/[.,]/g, "")) * MILLS + Number(rest.padEnd(3, "0"));
  return Number.isSafeInteger(mills) && mills <= MOST_MILLS ? mills : null;
}

/**
 * A price in words of the language: €12.50; without a currency 12.50.
 * @param mills thousandths
 * @param currency of ISO 4217; empty: none is said
 */
export function sayPrice(mills: number, currency: string): string {
  return new Intl.NumberFormat(
    "en",
    currency ? { style: "currency", currency } : { minimumFractionDigits: 2, maximumFractionDigits: 3 },
  ).format(mills / MILLS);
}

/** The same to be written in a field, where it is read again as it is. */
export const writePrice = (mills: number): string =>
  (mills / MILLS)
    .toFixed(3)
    .replace(/(\.\d\d)0$/, "$1")
    .replace(/\.00$/, "");

/** Whether it is a currency that is paid with, of ISO 4217 as this machine knows it. */
export const isCurrency = (code: string): boolean => Intl.supportedValuesOf("currency").includes(code);
