/**
 * 202603 as 2026-03. As a number it is counted in half the time that putting texts together takes.
 * @param number of the year and the month, six digits
 */
export const asMonth = (number: string | number): string => String(number).replace(/(?=..$)/, "-");
