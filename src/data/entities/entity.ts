import type { Change, Fields } from "@/core/history/change";
import type { Verb } from "@/core/history/verbs";
import type { Tx } from "../database";

/** In which team and when something is written, and where ids for rows of links come from. */
export type Stamp = { team: string; at: Date; newId: () => string };

/**
 * What has to be known about a kind of thing so that a change of it can be written, counted, told and taken back. A new
 * kind gets its row in the table in `index.ts`; without it nothing compiles.
 */
export type Entity<Row> = {
  /** The id by which a change names the thing; of a link both ids, with `~` between them. */
  idOf: (row: Row) => string;
  /** The fields of a new thing, as the `after` of its change, and those of one that is not there, as the `before`. */
  present: (row: Row) => Fields;
  absent: Fields;
  /** The fields of a row that changes can name, as far as it has them; of a link there are none. */
  fieldsOf?: (row: Row) => Fields;
  /** Where a new thing stands, as far as changes are heard there; what is in no collection stands nowhere. */
  placeOf?: (row: Row) => { collection: string };
  /** Whether a change of this field can be taken back, because `read` reads it; without this all can. */
  knows?: (name: string) => boolean;
  /** Reads the fields that changes can name, by id, and locks the rows. What is not there is left out. */
  read: (tx: Tx, ids: readonly string[]) => Promise<Map<string, Fields>>;
  /** Adds new rows. A link that is there already stays as it is. */
  insert: (tx: Tx, rows: readonly Row[]) => Promise<void>;
  /** Gives all of these the same fields; null takes them away. */
  write: (tx: Tx, ids: readonly string[], fields: Fields, stamp: Stamp) => Promise<void>;
  /** The collections whose readers can see these changes; their versions are counted. */
  seenIn: (tx: Tx, changes: readonly Change[]) => Promise<string[]>;
  /** The id that events about it carry. */
  subjectOf: (id: string) => string;
  /** The only one who hears of it; without it the team does. */
  onlyFor?: (id: string) => string;
  /** The verbs of its events. */
  verbs: {
    added: Verb;
    removed: Verb;
    restored: Verb;
    /** By the names of the fields that changed. */
    changed: (names: readonly string[]) => Verb;
  };
  /** The collections under which its events are heard; null for those of the team as a whole. */
  heardIn: (tx: Tx, changes: readonly Change[]) => Promise<(change: Change) => (string | null)[]>;
};

/**
 * The two ids of a link between two things.
 * @param id the two ids with `~` between them
 */
export const halves = (id: string) => id.split("~") as [string, string];

/** Whether a change takes a thing away, brings it back, or changes fields of it. */
export function directionOf({ before, after }: Change): "removed" | "restored" | "changed" {
  const there = (fields: Fields) => fields !== null && fields.gone !== true && fields.on !== false;
  if (there(before) === there(after)) return "changed";
  return there(after) ? "restored" : "removed";
}
