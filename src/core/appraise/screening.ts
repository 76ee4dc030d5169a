import type { Criterion } from "./criteria";
import { OUT } from "./scales";
import type { Side } from "./sides";

/** What became of a thing in a screening. */
export type Decision =
  | { is: "in" }
  | { is: "out"; reason: string | null }
  | { is: "unsure" }
  /** Judged by all who should, and not alike. */
  | { is: "in dispute" }
  /** Not judged by all who should. */
  | { is: "open" };

type Said = { steps: readonly (number | null)[]; out: Readonly<Record<string, string>> };
/** What is decided on: by whom it shall be, what they said, and what they agreed on. */
export type Screened = {
  judges: readonly number[];
  said: readonly (Said & Pick<Side, "whole">)[];
  agreed: Said | null;
};

/** The letters that give a reason, the first of the list by the first: B brings in, W asks why, and N goes on. */
export const REASON_KEYS = "acdefghijklmopqrstuvxyz";

/** The question of a round by which things are in or out; −1 where there is none. */
export const screeningAt = (criteria: readonly Pick<Criterion, "scale">[]): number =>
  criteria.findIndex(({ scale }) => scale === "screen");

/**
 * What became of a thing: what was agreed on, else what all who judged it said alike. Who left it out for different reasons left it
 * out alike; the reason is then the first one's.
 * @param at which question screens
 */
export function decisionOn(
  { judges, said, agreed }: Screened,
  { id }: Pick<Criterion, "id">,
  at: number,
): Decision {
  const done = agreed ? [agreed] : said.filter(({ whole }) => whole);
  if (!agreed && done.length < judges.length) return { is: "open" };
  const steps = new Set(done.map(({ steps }) => steps[at] ?? 0));
  if (steps.size !== 1) return { is: "in dispute" };
  const [step] = steps;
  // Who cannot say is not sure.
  if (step !== OUT) return { is: step === 3 ? "in" : "unsure" };
  return { is: "out", reason: done.map(({ out }) => out[id]).find((reason) => reason) ?? null };
}

/** How many there are of each decision, and of what is out by its reasons, the most frequent first. */
export type Tally = Record<Decision["is"], number> & {
  reasons: { reason: string | null; count: number }[];
};

/** Counts what became of the things of a round. */
export function tallyOf(things: readonly Screened[], criterion: Pick<Criterion, "id">, at: number): Tally {
  const tally: Tally = { in: 0, out: 0, unsure: 0, "in dispute": 0, open: 0, reasons: [] };
  const reasons = new Map<string | null, number>();
  for (const thing of things) {
    const decision = decisionOn(thing, criterion, at);
    tally[decision.is]++;
    if (decision.is === "out") reasons.set(decision.reason, (reasons.get(decision.reason) ?? 0) + 1);
  }
  tally.reasons = [...reasons]
    .map(([reason, count]) => ({ reason, count }))
    .sort((a, b) => b.count - a.count);
  return tally;
}
