/** 202603 as 2026-03. As a number it is counted in half the time that putting texts together takes. */
export const asMonth = (number: string | number): string => String(number).replace(/(?=..$)/, "-");
