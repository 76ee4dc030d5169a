import type { Criterion } from "./criteria";
import { OUT, stepsOf } from "./scales";

/** What somebody answered to one question: a step of its scale, or that they cannot say; and why, where they wished. */
export type Given = {
  step: number | null;
  why?: string;
  /** Of what is out: one of the reasons of the question. */
  reason?: string;
};
/** Answers by the ids of the criteria; what is not in it has not been answered. */
export type Answers = Record<string, Given>;

/** So long is a reason at the most, in characters. */
export const LONGEST_WHY = 1000;

/** Answers, as the description of the interface has them. */
export const ANSWERS_SCHEMA = {
  type: "object",
  additionalProperties: {
    type: "object",
    required: ["step"],
    properties: {
      step: { type: ["integer", "null"], description: "A step of the scale, or null: cannot say." },
      why: { type: "string", maxLength: LONGEST_WHY },
      reason: { type: "string", description: "Of what is out: one of the reasons of the question." },
    },
  },
} as const;

/**
 * Makes answers of what came from outside.
 * @returns null when one is to no question of these, is no step of its scale, or its reason is too long
 */
export function answersFrom(raw: unknown, criteria: readonly Criterion[]): Answers | null {
  if (typeof raw !== "object" || raw === null || Array.isArray(raw)) return null;
  const answers: Answers = {};
  for (const [id, one] of Object.entries(raw as Record<string, unknown>)) {
    const criterion = criteria.find((its) => its.id === id);
    if (!criterion || typeof one !== "object" || one === null) return null;
    const { step, why, reason } = one as { step?: unknown; why?: unknown; reason?: unknown };
    if (step !== null && !stepsOf(criterion.scale).some(({ value }) => value === step)) return null;
    if (why !== undefined && (typeof why !== "string" || why.length > LONGEST_WHY)) return null;
    // A reason for being out goes with what is not.
    const isOut = criterion.scale === "screen" && step === OUT;
    if (isOut && reason !== undefined && !criterion.reasons?.includes(reason as string)) return null;
    answers[id] = {
      step: step as number | null,
      ...(why?.trim() && { why: why.trim() }),
      ...(isOut && reason !== undefined && { reason: reason as string }),
    };
  }
  return answers;
}

/** Whether every question has an answer, be it that one cannot say; and what is out a reason, where there are some. */
export const isWhole = (
  answers: Answers,
  criteria: readonly Pick<Criterion, "id" | "scale" | "reasons">[],
): boolean =>
  criteria.every(({ id, scale, reasons }) => {
    if (!Object.hasOwn(answers, id)) return false;
    return !(scale === "screen" && reasons?.length && answers[id]!.step === OUT && !answers[id]!.reason);
  });
