import { type Criterion, criteriaFrom } from "./criteria";

/** A set of criteria as a file: JSON, with what it is and of which form. */
const FORM = { what: "criteria", form: 1 } as const;

/** So large is no set of questions; characters. */
export const LARGEST_CRITERIA_FILE = 200_000;

/** A set of criteria as the text of a file that `readCriteriaFile` reads. */
export const writeCriteriaFile = (name: string, criteria: readonly Criterion[]): string =>
  `${JSON.stringify({ ...FORM, name, criteria }, null, 2)}\n`;

/**
 * Reads a set of criteria from a file.
 * @returns null when it is none, or of a form this does not know
 */
export function readCriteriaFile(text: string): { name: string; criteria: Criterion[] } | null {
  if (text.length > LARGEST_CRITERIA_FILE) return null;
  let raw: unknown;
  try {
    raw = JSON.parse(text.replace(/^\uFEFF/, ""));
  } catch {
    return null;
  }
  if (typeof raw !== "object" || raw === null) return null;
  const { what, form, name, criteria: given } = raw as Record<string, unknown>;
  if (what !== FORM.what || form !== FORM.form || typeof name !== "string" || !name.trim()) return null;
  const criteria = criteriaFrom(given);
  return criteria && { name: name.trim().slice(0, 120), criteria };
}
