import type { Candidate } from "./choice";
import { type Load, minutesIn } from "./load";

/** Something that stands in a collection, as it is told. */
type Item = Pick<Candidate, "id" | "plays" | "lix" | "judged" | "serves"> & {
  section: string | null;
  host: string;
  mustStay: boolean;
  /** Text between the items, which leads through them and always stays. */
  between: boolean;
  load: Load;
};

/** What is chosen from: everything but what is for whoever has time left anyway. */
export function candidatesOf(
  items: readonly Item[],
  sections: readonly { id: string; beyond: boolean }[],
): Candidate[] {
  const beyond = new Set(sections.filter((one) => one.beyond).map(({ id }) => id));
  return items
    .filter(({ section }) => section === null || !beyond.has(section))
    .map(({ id, load, mustStay, between, plays, host, lix, judged, serves }) => ({
      ...{ id, minutes: minutesIn(load), stays: mustStay || between, plays },
      ...{ site: host, lix, judged, serves },
    }));
}
