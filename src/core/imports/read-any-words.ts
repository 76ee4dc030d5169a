/** The formats that are read, in the words people know them by. */
export const FORMAT_WORDS = {
  bookmarks: "bookmark file",
  table: "table",
  opml: "feed list",
  feed: "feed",
  ris: "reference list (RIS)",
  bibtex: "reference list (BibTeX)",
  "csl-json": "reference list (CSL-JSON)",
  markdown: "Markdown text",
  html: "web page",
  text: "text",
} as const;
export type Format = keyof typeof FORMAT_WORDS;
