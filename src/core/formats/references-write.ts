import { plugins } from "@citation-js/core";
import "@citation-js/plugin-bibtex";
import "@citation-js/plugin-ris";
import type { FieldName, ItemType } from "../cite/reference";
import type { Kind } from "../page/facts";

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
export type WrittenReferences = "ris" | "bibtex" | "csl-json";

const BY_KIND: Record<Kind, ItemType> = {
  page: "webpage",
  video: "motion_picture",
  document: "document",
  picture: "graphic",
  sound: "song",
  note: "manuscript",
};
const NAMES = ["editor", "translator", "director", "interviewer"] as const;

/** A work as a CSL-JSON item. Names are taken apart at their last word; one with a comma is taken as it is written. */
function cslItem(work: Work): Record<string, unknown> {
  const { details } = work;
  const item: Record<string, unknown> = {
    id: key(work),
    type: work.itemType ?? BY_KIND[work.kind],
    title: work.title,
    ...(work.authors.length && { author: work.authors.map(name) }),
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

function name(written: string): { family: string; given?: string } | { literal: string } {
  const [family, given] = written.split(",").map((part) => part.trim());
  if (given) return { family: family!, given };
  const words = written.trim().split(/\s+/);
  if (words.length < 2 || words.length > 4 || !/^\p{Lu}/u.test(words.at(-1)!))
    return { literal: written.trim() };
  return { family: words.at(-1)!, given: words.slice(0, -1).join(" ") };
}

/** A key of letters and digits, as BibTeX wants it: family name, year, and the end of the id, which keeps it apart. */
function key({ authors, published, id }: Work): string {
  const family = (authors[0]?.split(",")[0]?.split(" ").at(-1) ?? "item")
    .normalize("NFKD")
    .replace(/[^A-Za-z]/g, "")
    .toLowerCase();
  return `${family || "item"}${published?.slice(0, 4) ?? ""}${id.replace(/-/g, "").slice(-6)}`;
}

/**
 * A list of references as RIS, BibTeX or CSL-JSON. citation-js takes its time, so this runs in a thread.
 * @param works each once, in the order in which they are to stand
 */
export function writeReferences(works: readonly Work[], format: WrittenReferences): string {
  const items = works.map(cslItem);
  if (format === "csl-json") return `${JSON.stringify(items, null, 2)}\n`;
  const written = String(plugins.output.format(format, items));
  if (format === "bibtex") return `${written.trim()}\n`;
  // citation-js leaves keywords out of RIS; each stands on a line of its own there.
  const tags = works.map((work) => work.tags.map((tag) => `KW  - ${tag}\n`).join(""));
  let at = 0;
  return `${written.replace(/^ER {2}-/gm, () => `${/KW {2}-/.test(written) ? "" : (tags[at++] ?? "")}ER  -`).trim()}\n`;
}
