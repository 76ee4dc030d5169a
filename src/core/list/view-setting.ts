/** The views of a collection, for those who make it and for readers. */
export const VIEWS = ["rows", "cards", "board", "table", "steps"] as const;
export type View = (typeof VIEWS)[number];

/** What the views are called. */
export const VIEW_WORDS: Record<View, string> = {
  rows: "Rows",
  cards: "Cards",
  board: "Board",
  table: "Table",
  steps: "Steps",
};

/** How a placement stands in its collection: as an item, or (a note) as text that leads from one item to the next. */
export const LOOKS = ["item", "text"] as const;
export type Look = (typeof LOOKS)[number];

/** What a collection can be sorted by, beside its own order. */
export const SORTS = ["own", "title", "added", "used", "length"] as const;
export type Sort = (typeof SORTS)[number];

/** Columns of the table beside the title, which always stands first. */
export const COLUMNS = [
  "context",
  "kind",
  "site",
  "authors",
  "published",
  "minutes",
  "tags",
  "added",
  "section",
] as const;
export type Column = (typeof COLUMNS)[number];

/** What the columns are called. */
export const COLUMN_WORDS: Record<Column, string> = {
  context: "Context",
  kind: "Kind",
  site: "Site",
  authors: "Authors",
  published: "Date",
  minutes: "Length",
  tags: "Tags",
  added: "Added",
  section: "Section",
};

/** How one person sees one collection. */
export type ViewSetting = { view: View; sort: Sort; down: boolean; columns: Column[] };

export const FIRST_SETTING: ViewSetting = {
  view: "rows",
  sort: "own",
  down: false,
  columns: ["context", "kind", "site", "minutes", "tags"],
};
