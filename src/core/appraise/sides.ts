import type { Values } from "./agreement/values";
import type { Criterion } from "./criteria";
import { stepsOf } from "./scales";

/** What one person answered, in the order of the criteria; 0: they cannot say, null: not answered yet. */
export type Side = { person: number; whole: boolean; steps: readonly (number | null)[] };
/** Something that is judged: by whom it shall be, what they said, and whether it is settled. */
export type Judged = {
  judges: readonly number[];
  /** Those of them who were asked when what the others said could be seen. */
  thirds?: readonly number[];
  said: readonly Side[];
  agreed: unknown;
};

/** How far a thing has come. */
export type Standing = "nobody yet" | "more to come" | "alike" | "in dispute" | "settled";

/**
 * How far the answers to one question lie apart, from 0 (all the same) to 1 (the two ends of the scale).
 * @param steps what was answered; who cannot say, or has not answered, is left out
 */
export function apart(steps: readonly (number | null)[], { scale }: Pick<Criterion, "scale">): number {
  const said = steps.filter((step): step is number => !!step);
  if (said.length < 2) return 0;
  return (Math.max(...said) - Math.min(...said)) / (stepsOf(scale).length - 1);
}

/** How much a thing is in dispute: how far answers lie apart, by the weights of the questions; 0 to 1. */
export function dispute({ said }: Pick<Judged, "said">, criteria: readonly Criterion[]): number {
  const all = criteria.reduce((sum, { weight }) => sum + weight, 0) || criteria.length;
  return (
    criteria.reduce(
      (sum, criterion, i) =>
        sum +
        (criteria.some(({ weight }) => weight > 0) ? criterion.weight : 1) *
          apart(
            said.map(({ steps }) => steps[i] ?? null),
            criterion,
          ),
      0,
    ) / all
  );
}

/** How far a thing has come, from what may be known of it. */
export function standingOf(thing: Judged, criteria: readonly Criterion[]): Standing {
  if (thing.agreed) return "settled";
  const done = thing.said.filter(({ whole }) => whole);
  if (!done.length) return "nobody yet";
  if (done.length < thing.judges.length) return "more to come";
  const isApart = criteria.some(
    (criterion, i) =>
      apart(
        done.map(({ steps }) => steps[i] ?? null),
        criterion,
      ) > 0,
  );
  return isApart ? "in dispute" : "alike";
}

/**
 * What people said about one question, as the figures of agreement take it. A third says nothing about how far two agree: they are asked
 * where these do not.
 * @param at which question
 * @param people whose answers count
 */
export const valuesOf = (
  things: readonly Pick<Judged, "said" | "thirds">[],
  at: number,
  people: readonly number[],
): Values =>
  things.map(({ said, thirds }) =>
    people.map(
      (one) => (!thirds?.includes(one) && said.find(({ person }) => person === one)?.steps[at]) || null,
    ),
  );

/** What everybody said alike, question by question, and null where they did not: where to begin when settling. */
export const common = (said: readonly Side[], questions: number): (number | null)[] =>
  Array.from({ length: questions }, (_, i) => {
    const steps = [...new Set(said.map(({ steps }) => steps[i] ?? null))];
    return steps.length === 1 ? steps[0]! : null;
  });
