import { ANSWERS_SCHEMA, type Answers, answersFrom, isWhole } from "@/core/appraise/answers";
import { criteriaAt } from "@/data/queries/weighing";
import type { Tx } from "@/data/database";
import { fieldProblem } from "@/mechanism/problem";

export { ANSWERS_SCHEMA };

/**
 * Checks answers against the words they are given to.
 * @throws {Problem} answers-not-readable, when there are no such words or an answer fits none of them
 */
export async function answersIn(
  tx: Tx,
  { criteria, number, answers }: { criteria: string; number: number; answers: unknown },
): Promise<{ answers: Answers; whole: boolean }> {
  const content = await criteriaAt(tx, criteria, number);
  const found = content && answersFrom(answers, content);
  if (!found) throw fieldProblem("answers", "answers-not-readable");
  return { answers: found, whole: isWhole(found, content) };
}
