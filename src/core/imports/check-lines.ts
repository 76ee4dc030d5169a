import { FIELDS, ITEM_TYPES, type FieldName, type ItemType, type Reference } from "../cite/reference";
import { partialDate } from "../page/dates";
import type { BroughtLine, BroughtPlace } from "./brought";

/** The most lines that are sent together. */
export const LINES_AT_ONCE = 1000;
export const MOST_PLACES = 20_000;

const text = (value: unknown, most: number) => (typeof value === "string" ? value.slice(0, most) : "");
const day = (value: unknown) => {
  const time = typeof value === "string" ? Date.parse(value) : NaN;
  return Number.isNaN(time) || time < 0 || time > 4e12 ? null : new Date(time).toISOString();
};

/**
 * Lines as they arrive from outside, made into what the import can rely on; null when they are no such list.
 * @param raw whatever the request held
 * @param places how many places the import has; a line may name none beyond them
 */
export function asLines(raw: unknown, places: number): BroughtLine[] | null {
  if (!Array.isArray(raw) || raw.length > LINES_AT_ONCE) return null;
  return raw.map((one: unknown) => {
    const said = (one ?? {}) as Record<string, unknown>;
    const place =
      typeof said.place === "number" && said.place >= 0 && said.place < places ? said.place : null;
    return {
      address: text(said.address, 4000).trim(),
      title: text(said.title, 500).replace(/\s+/g, " ").trim(),
      heading: text(said.heading, 300).replace(/\s+/g, " ").trim(),
      context: text(said.context, 4000).trim(),
      tagText: text(said.tagText, 4000),
      addedAt: day(said.addedAt),
      place,
      reference: asReference(said.reference),
      note: text(said.note, 100_000).trim(),
      ...(said.out === true && { out: true }),
    };
  });
}

/**
 * Places from outside: a place may only stand in one before it, and nothing stands in a section.
 * @param raw whatever the request held
 * @returns null when they are no tree, or too many
 */
export function asPlaces(raw: unknown): BroughtPlace[] | null {
  if (!Array.isArray(raw) || raw.length > MOST_PLACES) return null;
  const places: BroughtPlace[] = [];
  for (const one of raw as unknown[]) {
    const said = (one ?? {}) as Record<string, unknown>;
    const parent = typeof said.parent === "number" ? said.parent : null;
    if (parent !== null && (!places[parent] || places[parent].section)) return null;
    places.push({
      title: text(said.title, 200).replace(/\s+/g, " ").trim() || "Without a name",
      description: text(said.description, 4000).trim(),
      parent,
      section: said.section === true,
      addedAt: day(said.addedAt),
    });
  }
  return places;
}

/**
 * Bibliographic fields from outside; fields and kinds CSL does not know fall away.
 * @param raw what stands in the line for the work; from outside, so of any shape
 */
export function asReference(raw: unknown): Reference | null {
  if (!raw || typeof raw !== "object") return null;
  const said = raw as Record<string, unknown>;
  const given = (said.fields ?? {}) as Record<string, unknown>;
  const fields: Partial<Record<FieldName, string>> = {};
  for (const name of FIELDS) {
    const value = text(given[name], 500).trim();
    if (value) fields[name] = value;
  }
  return {
    type: (ITEM_TYPES as readonly unknown[]).includes(said.type) ? (said.type as ItemType) : null,
    fields,
    authors: Array.isArray(said.authors)
      ? said.authors
          .slice(0, 200)
          .map((name) => text(name, 200).trim())
          .filter(Boolean)
      : [],
    published: partialDate(text(said.published, 40)),
    language: text(said.language, 35) || null,
  };
}
