import { SCALES, type Scale, stepsOf } from "./scales";

/** A question by which something is judged. */
export type Criterion = {
  /** Stays the same when its words change, so that answers are found again. */
  id: string;
  name: string;
  question: string;
  scale: Scale;
  /** What each step means here, the least first; an empty one says no more than the scale. */
  guide: string[];
  /** Why something is out, to be chosen from: of a screening alone. */
  reasons?: string[];
  /** How much it counts beside the others, from 0 to 10. */
  weight: number;
};

/** So many questions are still answered with care. */
export const MOST_CRITERIA = 20;
export const HEAVIEST = 10;
/** So many reasons for leaving something out are told apart. */
export const MOST_REASONS = 20;
const LONGEST_REASON = 80;

/** A set of criteria, as the description of the interface has it. */
export const CRITERIA_SCHEMA = {
  type: "array",
  maxItems: MOST_CRITERIA,
  items: {
    type: "object",
    required: ["id", "name", "question", "scale", "guide", "weight"],
    properties: {
      id: { type: "string", pattern: "^[a-z0-9-]{1,24}$" },
      name: { type: "string", maxLength: 60 },
      question: { type: "string", maxLength: 300 },
      scale: { type: "string", enum: [...SCALES] },
      guide: { type: "array", items: { type: "string", maxLength: 200 } },
      reasons: {
        type: "array",
        maxItems: MOST_REASONS,
        items: { type: "string", maxLength: LONGEST_REASON },
      },
      weight: { type: "number", minimum: 0, maximum: HEAVIEST },
    },
  },
} as const;

const text = (value: unknown, most: number): string | null =>
  typeof value === "string" && value.trim().length <= most ? value.trim() : null;

function criterionFrom(raw: unknown): Criterion | null {
  if (typeof raw !== "object" || raw === null) return null;
  const { id, scale, guide = [], reasons = [], weight = 1, ...given } = raw as Record<string, unknown>;
  const [name, question] = [text(given.name, 60), text(given.question, 300)];
  if (typeof id !== "string" || !/^[a-z0-9-]{1,24}$/.test(id)) return null;
  if (!name || question === null || !SCALES.includes(scale as Scale)) return null;
  if (typeof weight !== "number" || !(weight >= 0 && weight <= HEAVIEST) || !Array.isArray(guide))
    return null;
  const words = stepsOf(scale as Scale).map((_, i) => text(guide[i] ?? "", 200));
  if (words.includes(null)) return null;
  const criterion = { id, name, question, scale: scale as Scale, guide: words as string[], weight };
  if (scale !== "screen") return criterion;
  if (!Array.isArray(reasons) || reasons.length > MOST_REASONS) return null;
  const known = reasons.map((one) => text(one, LONGEST_REASON));
  return known.includes(null)
    ? null
    : { ...criterion, reasons: [...new Set(known.filter((one) => one))] as string[] };
}

/**
 * Makes criteria of what came from outside.
 * @returns them, with blanks trimmed and a word for each step; null when they are none, too many, or two have one id
 */
export function criteriaFrom(raw: unknown): Criterion[] | null {
  if (!Array.isArray(raw) || !raw.length || raw.length > MOST_CRITERIA) return null;
  const all = raw.map(criterionFrom);
  if (all.includes(null)) return null;
  const found = all as Criterion[];
  return new Set(found.map(({ id }) => id)).size === found.length ? found : null;
}
