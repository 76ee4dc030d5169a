import { mean, pairsAlike, talliesOf, type Values } from "./values";

/**
 * The share of pairs of people who said the same of a thing, averaged over the things of which two or more said something:
 * with two people the plain percentage of agreement, with more the P̄ of Fleiss (1971).
 * @returns from 0 to 1; null when there is no such thing
 */
export function percentAgreement(values: Values): number | null {
  const tallies = talliesOf(values, 2);
  return tallies.length ? mean(tallies.map(pairsAlike)) : null;
}
