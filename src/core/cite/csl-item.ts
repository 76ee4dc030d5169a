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
/** What kind of work it is by the words of CSL; where nobody has said, by what it is here. */
export const typeOf = ({ itemType, kind }: Pick<Work, "itemType" | "kind">): ItemType =>
  itemType ?? BY_KIND[kind];

/** Fields that hold names. */
export const NAMES = ["editor", "translator", "director", "interviewer"] as const;

/** A work as a CSL-JSON item. Names are taken apart at their last word; one with a comma is taken as it is written. */
export function cslItem(work: Work): Record<string, unknown> {
  const { details } = work;
  const item: Record<string, unknown> = {
    type: typeOf(work),
    title: work.title,
    ...(work.authors.length && { author: work.authors.map((one) => authorOf(one, work)) }),
    ...(work.published && { issued: { "date-parts": [work.published.split("-").map(Number)] } }),
    ...(work.language && { language: work.language }),
    ...(work.address && { URL: work.address }),
    ...(work.tags.length && { keyword: work.tags.join(",") }),
    ...(work.context && { note: work.context }),
    ...(work.siteName && ofSite(work)),
    // What a handbook has in brackets behind the title of what is seen on the web (APA, 7th edition, 10.12).
    ...(work.itemType === null && work.kind === "video" && { medium: "Video" }),
  };
  for (const [field, value] of Object.entries(details)) {
    if ((NAMES as readonly string[]).includes(field))
      item[field] = value.split(";").map((one) => name(one.trim()));
    else if (field === "accessed") item.accessed = { "date-parts": [value.split("-").map(Number)] };
    else item[field] = value;
  }
  return item;
}

/** Kinds of work that stand in something larger; what else a site has, it publishes. */
const CONTAINED: ReadonlySet<ItemType> = new Set([
  ...(["webpage", "post-weblog", "article-journal", "article-magazine", "article-newspaper"] as const),
  ...(["chapter", "paper-conference", "entry-encyclopedia"] as const),
]);

/** The site a work is had from, as what it stands in, or as its publisher, where nothing better is known. */
function ofSite(work: Work): Record<string, string> {
  const field = CONTAINED.has(typeOf(work)) ? "container-title" : "publisher";
  return work.details[field] ? {} : { [field]: work.siteName };
}

/** An institution that publishes itself is no person with a family name. */
const authorOf = (written: string, { siteName }: Work) =>
  written === siteName ? { literal: written } : name(written);

/** “Family, Given”, “Family, Given, Jr.”, “Given Family”, or what is no person's name. */
function name(written: string): { family: string; given?: string; suffix?: string } | { literal: string } {
  const [family, given, suffix] = written.split(",").map((part) => part.trim());
  if (given) return { family: family!, given, ...(suffix && { suffix }) };
  const words = written.trim().split(/\s+/);
  if (words.length < 2 || words.length > 4 || !/^\p{Lu}/u.test(words.at(-1)!))
    return { literal: written.trim() };
  return { family: words.at(-1)!, given: words.slice(0, -1).join(" ") };
}
