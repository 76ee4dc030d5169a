import { joinNotes } from "./join-notes";

/** Fields of which a merge keeps the better one. */
const MERGED_FIELDS = [
  "title",
  "description",
  "siteName",
  "licence",
  "authors",
  "published",
  "language",
  "words",
  "pages",
  "seconds",
  "minutes",
  "player",
  "pictureHash",
  "captionsHash",
  "itemType",
  "details",
  "quotation",
] as const;

type Fields = Partial<Record<(typeof MERGED_FIELDS)[number], unknown>> & {
  typed: readonly string[];
  notes?: string;
};

/**
 * What a resource takes over from its twin: fields a person typed there and not here, and fields that are empty here.
 * Bibliographic fields are joined, one by one, and the notes of both stay.
 * @param kept the one that stays
 * @param gone the one that is merged into it
 * @returns only what changes in the one that stays
 */
export function betterFields(kept: Fields, gone: Fields): Record<string, unknown> {
  const change: Record<string, unknown> = {};
  const typed = new Set(kept.typed);
  for (const field of MERGED_FIELDS) {
    const [here, there] = [kept[field], gone[field]];
    if (isEmpty(there)) continue;
    if (field === "details") {
      const joined = { ...(there as object), ...withoutEmpty(here as object) };
      if (JSON.stringify(joined) !== JSON.stringify(here)) change.details = joined;
    } else if (isEmpty(here) || (gone.typed.includes(field) && !typed.has(field))) {
      change[field] = there;
      if (gone.typed.includes(field)) typed.add(field);
    }
  }
  const notes = joinNotes(kept.notes, gone.notes);
  if (notes !== (kept.notes ?? "")) change.notes = notes;
  if (typed.size > kept.typed.length) change.typed = [...typed];
  return change;
}

const isEmpty = (value: unknown): boolean =>
  value === null ||
  value === undefined ||
  value === "" ||
  (Array.isArray(value) && !value.length) ||
  (typeof value === "object" && !Array.isArray(value) && !Object.keys(value).length);

const withoutEmpty = (fields: object) =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => !isEmpty(value)));
