/** How far somebody is with a handout. */
export const STAGES = ["unopened", "opened", "begun", "handed-in", "looked-at"] as const;
export type Stage = (typeof STAGES)[number];

type Moments = Record<"openedAt" | "writtenAt" | "handedInAt" | "lookedAt", Date | string | null>;

/**
 * How far somebody is with a handout. What was looked at counts as that until they write again.
 * @param of the moments of their sheet; all null when there is none
 */
export function stageOf({ openedAt, writtenAt, handedInAt, lookedAt }: Moments): Stage {
  if (!openedAt) return "unopened";
  const [written, looked] = [writtenAt, lookedAt].map((one) => (one === null ? 0 : new Date(one).getTime()));
  if (handedInAt)
    return looked! >= Math.max(written!, new Date(handedInAt).getTime()) ? "looked-at" : "handed-in";
  return writtenAt ? "begun" : "opened";
}
