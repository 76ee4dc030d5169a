/** A file format a collection leaves in: what it is called, what of a collection it keeps, and what can be set for it. */
export type Offered = {
  format: string;
  name: string;
  keeps: string;
  sets?: readonly ("paper" | "style" | "copies" | "look")[];
};

/** For people, those most wanted first. */
export const DOCUMENTS: readonly Offered[] = [
  {
    format: "pdf",
    name: "PDF",
    keeps: "Set on pages: sections, context lines, links, pictures, a list of contents.",
    sets: ["paper", "style"],
  },
  {
    format: "sheet",
    name: "Learners’ sheet (PDF)",
    keeps: "What learners see: a code beside each link that leads to it, and room to write.",
    sets: ["paper"],
  },
  {
    format: "docx",
    name: "Word processor (DOCX)",
    keeps: "The same as the PDF, to be written on in: real headings, links, pictures.",
    sets: ["paper", "style", "look"],
  },
  {
    format: "epub",
    name: "Book (EPUB)",
    keeps:
      "A chapter for each section, for readers of books and phones; reading copies as chapters when asked for.",
    sets: ["style", "copies"],
  },
  {
    format: "folder",
    name: "Folder for a stick (ZIP)",
    keeps: "The pages readers see, with pictures and files, to be opened and searched without a net.",
    sets: ["copies", "style"],
  },
  {
    format: "cartridge",
    name: "Learning platform (Common Cartridge)",
    keeps: "Units in order, links and files, and a page for each unit that says why everything stands there.",
  },
  {
    format: "xlsx",
    name: "Workbook (XLSX)",
    keeps: "A sheet for each collection, a row for each item, all fields; dates are dates.",
  },
  { format: "csv", name: "Table (CSV)", keeps: "A row for each item, all fields; comes back into Hobbin." },
];

/** For programs and to be pasted. */
export const TEXTS: readonly Offered[] = [
  {
    format: "markdown",
    name: "Markdown",
    keeps: "Headings, numbered links, context lines.",
    sets: ["style"],
  },
  { format: "links", name: "Plain text", keeps: "Titles, addresses, context lines; to be pasted anywhere." },
  {
    format: "bookmarks",
    name: "Bookmark file",
    keeps: "Folders, links, tags and context lines; browsers take it.",
  },
  { format: "opml", name: "Outline (OPML)", keeps: "Order, links, tags, context lines." },
  { format: "json-ld", name: "schema.org (JSON-LD)", keeps: "What search engines and catalogues read." },
];

/** Every work once, for programs that manage references. */
export const REFERENCES: readonly Offered[] = [
  { format: "bibtex", name: "BibTeX", keeps: "The works as entries." },
  { format: "ris", name: "RIS", keeps: "The works as records." },
  { format: "csl-json", name: "CSL-JSON", keeps: "The works as citation styles read them." },
];

const SLOW = new Set(["pdf", "sheet", "docx", "epub", "xlsx", ...REFERENCES.map((one) => one.format)]);
/** Whether a file of many items takes seconds, so that it is better ordered than waited for. */
export const takesLong = (format: string, hasStyle: boolean): boolean => hasStyle || SLOW.has(format);
/** From so many items on. */
export const MANY_ITEMS = 500;

export const ALL_FORMATS: readonly string[] = [...DOCUMENTS, ...TEXTS, ...REFERENCES].map(
  (one) => one.format,
);
