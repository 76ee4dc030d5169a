/** A mark as it goes out: its words, what was written beside it, and on what. */
export type MarkOut = {
  id: string;
  quote: string;
  prefix: string;
  suffix: string;
  start: number | null;
  end: number | null;
  note: string;
  /** Which part is marked of what has no selectable words (core/marks/fragments); empty: none in particular. */
  fragment: string;
  meaning: string | null;
  by: string;
  /** ISO 8601 */
  createdAt: string;
  updatedAt: string;
  source: { id: string; title: string; address: string; site: string };
};
