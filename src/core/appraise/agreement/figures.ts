import { gwetsAc1 } from "./ac1";
import { krippendorffsAlpha, type Level } from "./alpha";
import { fleissKappa } from "./fleiss";
import { cohensKappa } from "./kappa";
import { percentAgreement } from "./percent";
import { talliesOf, type Values } from "./values";

/** How far people agree about one question, by what is usual; null where a figure says nothing of these. */
export type Figures = {
  /** Of how many things two or more said something. */
  things: number;
  percent: number | null;
  /** Of two people Cohen's κ, with and without weights; of more Fleiss'. */
  kappa: number | null;
  weighted: number | null;
  alpha: number | null;
  ac1: number | null;
};

/**
 * Every figure of agreement about one question.
 * @param values a row a thing, a column a person
 * @param steps how many steps the scale has
 * @param level what the steps mean to each other, for α
 */
export function figuresOf(values: Values, steps: number, level: Level): Figures {
  const areTwo = values[0]?.length === 2;
  return {
    things: talliesOf(values, 2).length,
    percent: percentAgreement(values),
    kappa: areTwo ? cohensKappa(values) : fleissKappa(values),
    weighted: areTwo ? cohensKappa(values, "linear") : null,
    alpha: krippendorffsAlpha(values, level),
    ac1: gwetsAc1(values, steps),
  };
}

/** Of fewer things than this nothing is said of agreement. */
export const FEWEST_THINGS = 5;

/** What J. R. Landis and G. G. Koch call it, "The measurement of observer agreement", Biometrics 33 (1977), 165. */
const BANDS: readonly [from: number, word: string][] = [
  [0.81, "almost perfect"],
  [0.61, "substantial"],
  [0.41, "moderate"],
  [0.21, "fair"],
  [0, "slight"],
  [-Infinity, "poor"],
];

/** A word for a κ or an α. */
export const wordFor = (value: number): string =>
  BANDS.find(([from]) => Math.round(value * 100) / 100 >= from)![1];

/**
 * What the figures say, in a sentence for people.
 * @param interval between which α lies with 95 of 100, as far as it is known
 */
export function sayAgreement(
  { things, percent, alpha, ac1 }: Figures,
  interval: [number, number] | null,
): string {
  if (things === 0) return "Nothing has been judged by two yet.";
  if (things < FEWEST_THINGS)
    return `Judged by two or more: ${things}. That is too few to say anything of how far you agree.`;
  if (alpha === null)
    return `Everybody always gave the same answer. There is nothing by which to tell agreement from chance.`;
  if (percent !== null && ac1 !== null && percent >= 0.8 && alpha < 0.41 && ac1 - alpha > 0.3)
    return `You mostly agree. α and κ are low because almost every answer was the same; AC1 (${wordFor(ac1)}) says more here.`;
  const spread =
    interval && interval[1] - interval[0] > 0.4 ? ", and unsure: judge some more to know better" : "";
  return `Agreement is ${wordFor(alpha)} (α)${spread}.`;
}
