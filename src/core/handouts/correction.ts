import { compare } from "../editions/compare";
import { type Changes, countOf } from "../editions/changes";
import { type EditionCollection, itemsIn, withInside } from "../editions/content";
import { hasWords, type Written } from "./sheet-view";
import { shownOf } from "./three-way";

/** What a correction would bring, before it is sent. */
export type Correction = {
  /** What changed since it was handed out, or last corrected. */
  changes: Changes;
  /** How many changes that are. */
  count: number;
  /** Learners whose own words stay, with the new ones beside them. */
  beside: number;
  /** Learners who keep something that is taken out, because of what they wrote there. */
  kept: number;
};

/**
 * What a correction would bring.
 * @param given what learners have now
 * @param next what they would have
 * @param written what all of them wrote, with whose sheet it is on
 */
export function correctionOf(
  given: EditionCollection,
  next: EditionCollection,
  written: readonly (Pick<Written, "item" | "context" | "contextFrom" | "answer" | "note"> & {
    sheet: string;
  })[],
): Correction {
  const changes = compare(given, next);
  const itemsOf = (top: EditionCollection) =>
    new Map(
      withInside(top)
        .flatMap(itemsIn)
        .map((item) => [item.id, item.context]),
    );
  const [was, will] = [itemsOf(given), itemsOf(next)];
  const beside = new Set<string>();
  const kept = new Set<string>();
  for (const one of written) {
    const [before, after] = [was.get(one.item), will.get(one.item)];
    if (after === undefined) {
      if (before !== undefined && hasWords(one)) kept.add(one.sheet);
    } else if (after !== before && shownOf(one.contextFrom, one.context, after).beside !== null)
      beside.add(one.sheet);
  }
  return { changes, count: countOf(changes), beside: beside.size, kept: kept.size };
}
