import { alphaOf, type Level, patternsOf } from "./alpha";
import type { Values } from "./values";

/**
 * Between which α lies with 95 of 100: things are drawn with replacement, α is computed of each draw, and the middle 95 % are
 * taken (percentile bootstrap, B. Efron and R. J. Tibshirani, "An Introduction to the Bootstrap" (1993), chapter 13).
 * @param draws how often
 * @param random gives numbers from 0 up to 1
 * @returns null when fewer than half of the draws have an α
 */
export function alphaInterval(
  values: Values,
  level: Level,
  { draws, random }: { draws: number; random: () => number },
): [low: number, high: number] | null {
  const found = patternsOf(values);
  const things = found.ofThing.length;
  const times = new Uint32Array(found.patterns.length);
  const alphas: number[] = [];
  for (let draw = 0; draw < draws; draw++) {
    times.fill(0);
    for (let i = 0; i < things; i++) times[found.ofThing[Math.floor(random() * things)]!]!++;
    const alpha = alphaOf(found, times, level);
    if (alpha !== null) alphas.push(alpha);
  }
  if (alphas.length < draws / 2) return null;
  alphas.sort((a, b) => a - b);
  const at = (share: number) => alphas[Math.min(alphas.length - 1, Math.floor(share * alphas.length))]!;
  return [at(0.025), at(0.975)];
}
