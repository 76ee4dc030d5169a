import { languageTag } from "../text/language-tag";
import { partialDate } from "../page/dates";
import { FIELDS, type FieldName, ITEM_TYPES, type ItemType, type Reference } from "./reference";

/** What is taken of one CSL-JSON item (https://citeproc-js.readthedocs.io/en/latest/csl-json/markup.html). */
export type CslItem = Record<string, unknown>;

/**
 * The bibliographic fields of a CSL-JSON item. Names become "Given Family", dates as precise as they stand.
 * @param item one object of a CSL-JSON list; what is not in the schema is passed over
 */
export function readCslItem(
  item: CslItem,
): Reference & { title: string; address: string; abstract: string; keyword: string; note: string } {
  const fields: Partial<Record<FieldName, string>> = {};
  for (const field of FIELDS) {
    const value = item[field] ?? (field === "event-title" ? item.event : undefined);
    const said =
      field === "accessed"
        ? readCslDate(value)
        : Array.isArray(value)
          ? names(value).join("; ")
          : text(value);
    if (said) fields[field] = said.slice(0, 500);
  }
  const type = text(item.type);
  return {
    type: (ITEM_TYPES as readonly string[]).includes(type)
      ? (type as ItemType)
      : (ALIASES[type] ?? "document"),
    fields,
    authors: names(item.author).slice(0, 200),
    published: readCslDate(item.issued),
    language: languageTag(text(item.language)),
    title: text(item.title),
    address: text(item.URL),
    abstract: text(item.abstract),
    keyword: text(item.keyword),
    note: text(item.note),
  };
}

/** Types of CSL that Hobbin has no form of its own for, and names older files use. */
const ALIASES: Record<string, ItemType> = {
  article: "article-journal",
  "entry-dictionary": "entry-encyclopedia",
  entry: "entry-encyclopedia",
  figure: "graphic",
  pamphlet: "document",
  patent: "standard",
  post: "post-weblog",
  "review-book": "article-journal",
  review: "article-journal",
  bill: "legislation",
  legal_case: "legislation",
  treaty: "legislation",
  musical_score: "document",
  performance: "speech",
  periodical: "book",
  collection: "book",
  regulation: "legislation",
  hearing: "document",
};

function names(value: unknown): string[] {
  if (!Array.isArray(value)) return [];
  return value
    .map((one: unknown) => {
      if (typeof one === "string") return one.trim();
      const name = one as Record<string, unknown>;
      const family = [name["non-dropping-particle"], name.family, name.suffix]
        .map(text)
        .filter(Boolean)
        .join(" ");
      return (
        text(name.literal) ||
        [text(name.given), text(name["dropping-particle"]), family].filter(Boolean).join(" ")
      );
    })
    .filter(Boolean);
}

/** CSL dates: date-parts of one to three numbers, or text in `raw` or `literal`. */
function readCslDate(value: unknown): string | null {
  if (typeof value === "string") return partialDate(value);
  const date = value as { "date-parts"?: unknown[][]; raw?: unknown; literal?: unknown } | null | undefined;
  const parts = date?.["date-parts"]?.[0];
  if (parts?.length) return partialDate(parts.map((part) => String(part).padStart(2, "0")).join("-"));
  return partialDate(text(date?.raw) || text(date?.literal));
}

const text = (value: unknown): string =>
  typeof value === "string" || typeof value === "number" ? String(value).trim() : "";
