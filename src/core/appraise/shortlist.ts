import Papa from "papaparse";
import { writePrice } from "./price";

/** How much something is wanted; 1: first of all. */
export const PRIORITIES = [1, 2, 3] as const;
/** So many of one thing are wished for at the most. */
export const MOST_OF_ONE = 10_000;

/** What is wished of a thing: what one costs in thousandths of the currency, how many, and how much it is wanted; null: not said. */
export type Wish = { price: number | null; number: number; priority: number | null };
/** A thing in the order in which it is to be had, with what it costs and what all up to it cost. */
export type Listed<T> = {
  thing: T;
  wish: Wish;
  cost: number | null;
  sum: number;
  /** With it the budget is spent. */
  isOver: boolean;
};

/** What is wished where nothing was said: one of it. */
export const NO_WISH: Wish = { price: null, number: 1, priority: null };

/**
 * The things of a shortlist in the order in which they are to be had: by priority, and those of one priority in their own order; what has no
 * priority comes last. The sum runs on; what has no price adds nothing, and is counted.
 * @param things in their own order, say the best first
 * @param budget in thousandths; null: there is none
 */
export function shortlisted<T>(
  things: readonly { thing: T; wish: Wish }[],
  budget: number | null,
): { rows: Listed<T>[]; sum: number; unpriced: number } {
  const last = PRIORITIES.length + 1;
  const order = things
    .map((one, at) => ({ ...one, at }))
    .sort((a, b) => (a.wish.priority ?? last) - (b.wish.priority ?? last) || a.at - b.at);
  let sum = 0;
  let unpriced = 0;
  const rows = order.map(({ thing, wish }) => {
    const cost = wish.price === null ? null : wish.price * wish.number;
    if (cost === null && wish.number > 0) unpriced++;
    sum += cost ?? 0;
    return { thing, wish, cost, sum, isOver: budget !== null && sum > budget };
  });
  return { rows, sum, unpriced };
}

/** A shortlist as a table of text (RFC 4180), in its order; no title is taken for a formula. */
export const shortlistCsv = (
  rows: readonly Listed<{ title: string; siteName: string }>[],
  currency: string,
): string => {
  const money = (mills: number | null) => (mills === null ? "" : writePrice(mills));
  const named = (word: string) => (currency ? `${word} (${currency})` : word);
  const table = rows.map(({ thing, wish, cost, sum }) => [
    ...[wish.priority ?? "", thing.title, thing.siteName, money(wish.price), wish.number],
    ...[money(cost), money(sum)],
  ]);
  const head = ["Priority", "What", "From", named("Price"), "Number", named("Cost"), named("Sum so far")];
  return `\uFEFF${Papa.unparse([head, ...table], { newline: "\r\n", escapeFormulae: true })}\r\n`;
};
