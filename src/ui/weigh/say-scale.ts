import type { Criterion } from "@/core/appraise/criteria";
import { stepsOf } from "@/core/appraise/scales";

/** A step as it is answered in words: "Partly", "4 of 5", "cannot say". */
export function sayStep(step: number | null, { scale }: Pick<Criterion, "scale">): string {
  if (step === null) return "not answered";
  if (step === 0) return "cannot say";
  const steps = stepsOf(scale);
  const word = steps.find(({ value }) => value === step)?.word ?? String(step);
  return scale === "five" ? `${word} of ${steps.length}` : word;
}
