import { sayClip } from "../publish/clip";
import type { PublishedItem, PublishedTree } from "../publish/model";
import { KIND_WORDS } from "../look/kind-words";
import { sayLicence } from "../licence/known";
import { sayFrom } from "../shelves/from";
import { plainText } from "../text/plain";

/** What a cell of a table holds: words, a number, a moment, or an address that leads somewhere. */
export type Cell = string | number | Date | { address: string } | null;
export type Sheet = {
  title: string;
  heads: readonly string[];
  rows: Cell[][];
  /** How wide each column is drawn, in letters; left out: by its name. */
  widths?: readonly number[];
};

/**
 * The heads of the columns, under names by which a table of anybody's is read back (`table-read.ts`); what a reader of tables
 * would take for something else is called otherwise.
 */
export const HEADS = [
  ...["No.", "Collection", "Section", "Title", "Context", "Address", "Kind", "Site", "Authors", "Published"],
  ...[
    "Minutes",
    "Pages",
    "Part meant",
    "Language",
    "Tags",
    "About it",
    "Quotation",
    "Own title",
    "Licence",
    "Added",
  ],
] as const;
/** Of tables in which something was taken with credit. */
const FROM = "Taken from";

/** A sheet for each collection that holds something, from the top down, a row an item in its order. */
export function sheetsOf(
  tree: PublishedTree,
  heads: readonly string[] = hasFrom(tree) ? [...HEADS, FROM] : HEADS,
): Sheet[] {
  const { collection, inside } = tree;
  let number = 0;
  const rows = collection.sections.flatMap((section) =>
    section.items.map((item) =>
      rowOf(item, item.look === "item" ? ++number : null, collection.title, section.title).slice(
        0,
        heads.length,
      ),
    ),
  );
  const own = rows.length || !inside.length ? [{ title: collection.title, heads, rows }] : [];
  return [...own, ...inside.flatMap((one) => sheetsOf(one, heads))];
}

const hasFrom = ({ collection, inside }: PublishedTree): boolean =>
  collection.sections.some((section) => section.items.some((item) => item.from)) || inside.some(hasFrom);

const rowOf = (item: PublishedItem, number: number | null, collection: string, section: string): Cell[] => [
  number,
  collection,
  section,
  item.heading || item.title,
  item.context,
  item.address ? { address: item.address } : null,
  number === null ? "Text between" : KIND_WORDS[item.kind],
  item.siteName || item.host,
  item.authors.join("; "),
  dateOf(item.published),
  item.minutes,
  item.pages,
  item.clip ? sayClip(item.clip) : null,
  item.language,
  item.tags.join(", "),
  plainText(item.description),
  item.quotation,
  item.heading ? item.title : null,
  item.licence ? sayLicence(item.licence) : null,
  item.addedAt,
  item.from ? sayFrom(item.from) : null,
];

/** A whole day as a date; what is less precise stays as it is written. */
const dateOf = (published: string | null): Cell =>
  published && /^\d{4}-\d{2}-\d{2}$/.test(published) ? new Date(`${published}T00:00:00Z`) : published;
