import type { Kind } from "../page/facts";
import type { FieldName, ItemType } from "./reference";

/** What of a resource goes into a list of references. */
export type Work = {
  id: string;
  kind: Kind;
  itemType: ItemType | null;
  title: string;
  authors: readonly string[];
  published: string | null;
  language: string | null;
  address: string;
  siteName: string;
  tags: readonly string[];
  context: string;
  details: Partial<Record<FieldName, string>>;
};

const BY_KIND: Record<Kind, ItemType> = {
  page: "webpage",
  video: "motion_picture",
  document: "document",
  picture: "graphic",
  sound: "song",
  note: "manuscript",
};
/** Fields that hold names. */
export const NAMES = ["editor", "translator", "director", "interviewer"] as const;

/** A work as a CSL-JSON item. Names are taken apart at their last word; one with a comma is taken as it is written. */
export function cslItem(work: Work): Record<string, unknown> {
  const { details } = work;
  const item: Record<string, unknown> = {
    type: work.itemType ?? BY_KIND[work.kind],
    title: work.title,
    ...(work.authors.length && { author: work.authors.map((one) => authorOf(one, work)) }),
    ...(work.published && { issued: { "date-parts": [work.published.split("-").map(Number)] } }),
    ...(work.language && { language: work.language }),
    ...(work.address && { URL: work.address }),
    ...(work.tags.length && { keyword: work.tags.join(",") }),
    ...(work.context && { note: work.context }),
    ...(!details["container-title"] && work.siteName && { "container-title": work.siteName }),
  };
  for (const [field, value] of Object.entries(details)) {
    if ((NAMES as readonly string[]).includes(field))
      item[field] = value.split(";").map((one) => name(one.trim()));
    else if (field === "accessed") item.accessed = { "date-parts": [value.split("-").map(Number)] };
    else item[field] = value;
  }
  return item;
}

/** An institution that publishes itself is no person with a family name. */
const authorOf = (written: string, { siteName }: Work) =>
  written === siteName ? { literal: written } : name(written);

function name(written: string): { family: string; given?: string } | { literal: string } {
  const [family, given] = written.split(",").map((part) => part.trim());
  if (given) return { family: family!, given };
  const words = written.trim().split(/\s+/);
  if (words.length < 2 || words.length > 4 || !/^\p{Lu}/u.test(words.at(-1)!))
    return { literal: written.trim() };
  return { family: words.at(-1)!, given: words.slice(0, -1).join(" ") };
}
