/**
 * Kinds of work and their fields, under the names of the Citation Style Language 1.0.2
 * (https://docs.citationstyles.org/en/stable/specification.html, appendices III and IV).
 */
export const ITEM_TYPES = [
  "webpage",
  "article-journal",
  "article-magazine",
  "article-newspaper",
  "book",
  "chapter",
  "report",
  "thesis",
  "paper-conference",
  "dataset",
  "motion_picture",
  "broadcast",
  "song",
  "graphic",
  "map",
  "interview",
  "speech",
  "post-weblog",
  "entry-encyclopedia",
  "software",
  "standard",
  "legislation",
  "manuscript",
  "personal_communication",
  "document",
] as const;
export type ItemType = (typeof ITEM_TYPES)[number];

/** Fields beside title, authors, date, language and address, which every resource has. */
export const FIELDS = [
  "container-title",
  "collection-title",
  "editor",
  "translator",
  "director",
  "interviewer",
  "publisher",
  "publisher-place",
  "edition",
  "volume",
  "issue",
  "page",
  "number",
  "genre",
  "medium",
  "dimensions",
  "scale",
  "event-title",
  "event-place",
  "archive",
  "archive_location",
  "version",
  "authority",
  "DOI",
  "ISBN",
  "ISSN",
  "accessed",
] as const;
export type FieldName = (typeof FIELDS)[number];

export type Reference = {
  type: ItemType | null;
  fields: Partial<Record<FieldName, string>>;
  authors?: string[];
  /** As precise as the source: 2026, 2026-03 or 2026-03-09. */
  published?: string | null;
  language?: string | null;
};

export const FIELD_WORDS: Record<FieldName, string> = {
  "container-title": "Published in",
  "collection-title": "Series",
  editor: "Editors",
  translator: "Translators",
  director: "Directors",
  interviewer: "Interviewer",
  publisher: "Publisher",
  "publisher-place": "Place of publication",
  edition: "Edition",
  volume: "Volume",
  issue: "Issue",
  page: "Pages",
  number: "Number",
  genre: "Type of work",
  medium: "Medium",
  dimensions: "Size or length",
  scale: "Scale",
  "event-title": "Event",
  "event-place": "Place of the event",
  archive: "Archive or collection",
  archive_location: "Shelf mark",
  version: "Version",
  authority: "Authority",
  DOI: "DOI",
  ISBN: "ISBN",
  ISSN: "ISSN",
  accessed: "Looked at on",
};

type Shape = {
  words: string;
  /** What a citation of this kind is poor without; common practice of style guides, no single source. */
  needs: readonly (FieldName | "authors" | "published" | "address")[];
  also: readonly FieldName[];
};

/** Which fields each kind of work has: those it needs, and those it may have. */
export const SHAPES: Record<ItemType, Shape> = {
  webpage: {
    words: "Web page",
    needs: ["address", "authors", "published"],
    also: ["container-title", "publisher", "accessed"],
  },
  "article-journal": {
    words: "Journal article",
    needs: ["authors", "published", "container-title", "volume", "page"],
    also: ["issue", "DOI", "ISSN"],
  },
  "article-magazine": {
    words: "Magazine article",
    needs: ["authors", "published", "container-title"],
    also: ["volume", "issue", "page", "ISSN"],
  },
  "article-newspaper": {
    words: "Newspaper article",
    needs: ["published", "container-title"],
    also: ["edition", "page", "publisher-place", "ISSN"],
  },
  book: {
    words: "Book",
    needs: ["authors", "published", "publisher"],
    also: ["publisher-place", "edition", "volume", "editor", "translator", "collection-title", "ISBN", "DOI"],
  },
  chapter: {
    words: "Chapter of a book",
    needs: ["authors", "published", "container-title", "publisher", "page"],
    also: ["editor", "publisher-place", "edition", "volume", "ISBN", "DOI"],
  },
  report: {
    words: "Report",
    needs: ["authors", "published", "publisher"],
    also: ["number", "genre", "publisher-place", "collection-title", "DOI", "ISBN"],
  },
  thesis: {
    words: "Thesis",
    needs: ["authors", "published", "publisher", "genre"],
    also: ["publisher-place", "archive", "DOI"],
  },
  "paper-conference": {
    words: "Conference paper",
    needs: ["authors", "published", "event-title"],
    also: ["container-title", "event-place", "publisher", "page", "DOI", "ISBN"],
  },
  dataset: {
    words: "Dataset",
    needs: ["authors", "published", "publisher"],
    also: ["version", "DOI", "archive"],
  },
  motion_picture: {
    words: "Film or video",
    needs: ["published", "director"],
    also: ["publisher", "medium", "dimensions", "publisher-place"],
  },
  broadcast: {
    words: "Broadcast",
    needs: ["published", "publisher"],
    also: ["container-title", "number", "director", "medium", "dimensions"],
  },
  song: {
    words: "Sound recording",
    needs: ["authors", "published"],
    also: ["container-title", "publisher", "medium", "dimensions"],
  },
  graphic: {
    words: "Artwork or picture",
    needs: ["authors", "published"],
    also: ["medium", "dimensions", "archive", "archive_location"],
  },
  map: {
    words: "Map",
    needs: ["published", "publisher"],
    also: ["scale", "edition", "collection-title", "publisher-place", "ISBN"],
  },
  interview: {
    words: "Interview",
    needs: ["authors", "interviewer", "published"],
    also: ["container-title", "medium", "archive"],
  },
  speech: {
    words: "Talk or lecture",
    needs: ["authors", "published", "event-title"],
    also: ["event-place", "genre", "medium"],
  },
  "post-weblog": {
    words: "Blog post",
    needs: ["address", "authors", "published"],
    also: ["container-title", "accessed"],
  },
  "entry-encyclopedia": {
    words: "Entry of a reference work",
    needs: ["container-title", "published"],
    also: ["editor", "publisher", "edition", "volume", "page", "ISBN"],
  },
  software: { words: "Software", needs: ["authors", "published"], also: ["version", "publisher", "DOI"] },
  standard: {
    words: "Standard",
    needs: ["number", "published", "publisher"],
    also: ["version", "authority"],
  },
  legislation: {
    words: "Law or regulation",
    needs: ["published", "authority"],
    also: ["number", "container-title", "volume", "page"],
  },
  manuscript: {
    words: "Manuscript",
    needs: ["authors", "published"],
    also: ["genre", "archive", "archive_location"],
  },
  personal_communication: {
    words: "Letter or message",
    needs: ["authors", "published"],
    also: ["genre", "medium", "archive"],
  },
  document: {
    words: "Document",
    needs: ["authors", "published"],
    also: ["publisher", "genre", "number", "archive"],
  },
};

/**
 * Which important fields of a work are still empty, in the words of the form; nothing is demanded.
 * @param type what kind of work it is
 * @param has whether a field is filled
 */
export function missingFields(
  type: ItemType,
  has: (field: FieldName | "authors" | "published" | "address") => boolean,
): string[] {
  const words = { authors: "Authors", published: "Date", address: "Web address" } as Record<string, string>;
  return SHAPES[type].needs
    .filter((field) => !has(field))
    .map((field) => words[field] ?? FIELD_WORDS[field as FieldName]);
}

/**
 * The kind of thing a work is on the Bench.
 * @param type the type of a work by the words of CSL
 */
export function kindOfType(type: ItemType): "page" | "video" | "document" | "picture" | "sound" {
  if (type === "webpage" || type === "post-weblog") return "page";
  if (type === "motion_picture" || type === "broadcast") return "video";
  if (type === "graphic" || type === "map") return "picture";
  return type === "song" ? "sound" : "document";
}
