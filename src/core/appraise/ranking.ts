import type { Criterion } from "./criteria";
import { stepsOf } from "./scales";

type Settled = { steps: readonly (number | null)[] };
/** What is ranked: what people said of it, and what was agreed on. */
export type Rankable = { said: readonly Settled[]; agreed: Settled | null };

/** Where a thing stands: things with one score have one rank, and the next comes behind all of them (1, 2, 2, 4). */
export type Ranked = {
  /** The place of the thing among those that were given. */
  at: number;
  /** From 0 (the least of every scale) to 1. */
  score: number;
  rank: number;
  /** Between which ranks it stands in 9 of 10 ways to weigh the questions. */
  firm: [from: number, to: number];
};

const SAME = 1e-9;

/**
 * What is thought of each question, from 0 to 1: what was agreed on, else the mean of what people said; null where nobody could
 * say.
 */
export function worthOf({ said, agreed }: Rankable, criteria: readonly Criterion[]): (number | null)[] {
  return criteria.map(({ scale }, i) => {
    const steps = (agreed ? [agreed.steps[i]] : said.map((one) => one.steps[i])).filter(
      (step) => !!step,
    ) as number[];
    if (!steps.length) return null;
    return (steps.reduce((sum, step) => sum + step, 0) / steps.length - 1) / (stepsOf(scale).length - 1);
  });
}

/** The weighted mean of what is known; null when nothing is that counts. */
function scoreOf(worth: readonly (number | null)[], weights: readonly number[]): number | null {
  let [sum, all] = [0, 0];
  worth.forEach((value, i) => {
    if (value === null) return;
    sum += value * weights[i]!;
    all += weights[i]!;
  });
  return all > 0 ? sum / all : null;
}

/** What is thought of a thing as a whole, from 0 to 1, by the weights of the questions; null when nobody could say anything. */
export const scoreOfThing = (thing: Rankable, criteria: readonly Criterion[]): number | null =>
  scoreOf(
    worthOf(thing, criteria),
    criteria.map(({ weight }) => weight),
  );

/** The rank of each score, the highest first; who has the same shares the best of their ranks. */
function ranksOf(scores: Float64Array): Uint32Array {
  const order = Array.from(scores.keys()).sort((a, b) => scores[b]! - scores[a]!);
  const ranks = new Uint32Array(scores.length);
  order.forEach((at, i) => {
    const before = order[i - 1];
    ranks[at] = before !== undefined && scores[before]! - scores[at]! < SAME ? ranks[before]! : i + 1;
  });
  return ranks;
}

/** So many ways to weigh the questions are tried, and of few things no fewer. */
const DRAWS = 400;

/**
 * Ranks things by the weighted mean of what is thought of them, and says how firm each rank is: every weight is drawn anew between
 * half and one and a half of itself, 400 times.
 * @param random gives numbers from 0 up to 1
 * @returns the best first, neighbours of one score in the order in which they were given; what nobody could say anything of is
 * left out
 */
export function ranked(
  things: readonly Rankable[],
  criteria: readonly Criterion[],
  random: () => number,
): Ranked[] {
  const weights = criteria.map(({ weight }) => weight);
  const known = things.flatMap((thing, at) => {
    const worth = worthOf(thing, criteria);
    const score = scoreOf(worth, weights);
    return score === null ? [] : [{ at, worth, score }];
  });
  const ranks = ranksOf(Float64Array.from(known, ({ score }) => score));
  const drawn = known.map(() => new Uint32Array(DRAWS));
  for (let draw = 0; draw < DRAWS; draw++) {
    const others = weights.map((weight) => weight * (0.5 + random()));
    const found = ranksOf(Float64Array.from(known, ({ worth }) => scoreOf(worth, others) ?? 0));
    found.forEach((rank, i) => (drawn[i]![draw] = rank));
  }
  return known
    .map(({ at, score }, i) => {
      const all = drawn[i]!.sort();
      const firm: [number, number] = [all[Math.floor(DRAWS * 0.05)]!, all[Math.ceil(DRAWS * 0.95) - 1]!];
      return { at, score, rank: ranks[i]!, firm };
    })
    .sort((a, b) => a.rank - b.rank || a.at - b.at);
}
