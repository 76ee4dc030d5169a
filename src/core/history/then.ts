import { nameOf, type State } from "./rewind";

export type ThenSection = { id: string; title: string; intro: string; position: string };
export type ThenItem = {
  id: string;
  section: string | null;
  position: string;
  heading: string;
  context: string;
  look: string;
  resource: string;
  /** What the thing itself was called. */
  title: string;
};
/** A collection as it was: its own words, its sections and its items, each in their order. */
export type Then = {
  title: string;
  description: string;
  rich: string;
  sections: ThenSection[];
  items: ThenItem[];
};

const text = (value: unknown): string => (typeof value === "string" ? value : "");

/**
 * What a state says of a collection, in the order in which it stood.
 * @param state everything that stands or stood in it, as it was at a time
 * @param id of the collection
 * @param since when each thing was made: what was made later was not there
 * @param at the time
 */
export function readThen(state: State, id: string, since: ReadonlyMap<string, Date>, at: Date): Then {
  const own = state.get(nameOf("collection", id));
  const sections: ThenSection[] = [];
  const items: ThenItem[] = [];
  for (const [name, fields] of state) {
    const [type, thing] = name.split("~") as [string, string];
    if (!fields || fields.gone === true || fields.collection !== id) continue;
    if ((since.get(name)?.getTime() ?? 0) > at.getTime()) continue;
    const { position, title, intro } = fields;
    if (type === "section")
      sections.push({ id: thing, title: text(title), intro: text(intro), position: text(position) });
    if (type !== "placement") continue;
    const resource = state.get(nameOf("resource", text(fields.resource)));
    if (!resource || resource.gone === true) continue;
    items.push({
      ...{ id: thing, section: text(fields.section) || null, position: text(position) },
      ...{ heading: text(fields.heading), context: text(fields.context), look: text(fields.look) || "item" },
      ...{ resource: text(fields.resource), title: text(resource.title) },
    });
  }
  sections.sort(inOrder);
  const place = new Map(sections.map((one, i) => [one.id, i]));
  // What stands in no section stands before the first; so does what stood in one that is not known.
  const of = (item: ThenItem) => (item.section === null ? -1 : (place.get(item.section) ?? -1));
  items.sort((a, b) => of(a) - of(b) || inOrder(a, b));
  return {
    ...{ title: text(own?.title), description: text(own?.description), rich: text(own?.rich) },
    sections,
    items,
  };
}

type InOrder = { position: string; id: string };
const inOrder = (a: InOrder, b: InOrder) =>
  a.position === b.position ? (a.id < b.id ? -1 : 1) : a.position < b.position ? -1 : 1;

/** What became of an item since: it is as it was, has other words, stands elsewhere in it, or not in it any more. */
export type Since = "same" | "words" | "moved" | "gone";

/** What became since of each item that was there, by its id, and how many came that were not. */
export function comparedWith(then: Then, now: Then): { since: Map<string, Since>; came: number } {
  const by = new Map(now.items.map((item) => [item.id, item]));
  const order = moved(then, now);
  const since = new Map(
    then.items.map((item): [string, Since] => {
      const today = by.get(item.id);
      if (!today) return [item.id, "gone"];
      if (today.heading !== item.heading || today.context !== item.context || today.look !== item.look)
        return [item.id, "words"];
      return [item.id, order.has(item.id) ? "moved" : "same"];
    }),
  );
  const was = new Set(then.items.map((item) => item.id));
  return { since, came: now.items.filter((item) => !was.has(item.id)).length };
}

/** What stands in another section, or behind another one of those that are in both. */
function moved(then: Then, now: Then): Set<string> {
  const both = (one: Then, other: Then) => {
    const ids = new Set(other.items.map((item) => item.id));
    return one.items.filter((item) => ids.has(item.id));
  };
  const before = both(then, now);
  const today = new Map(both(now, then).map((item, i) => [item.id, { item, i }]));
  // The longest run that kept its order stays; the others have moved.
  const kept = longestRise(before.map((item) => today.get(item.id)!.i));
  return new Set(
    before
      .filter((item, i) => !kept.has(i) || today.get(item.id)!.item.section !== item.section)
      .map((item) => item.id),
  );
}

/**
 * The places of a longest rising run among numbers that are all different, by patience sorting (Fredman 1975): n log n
 * steps.
 */
function longestRise(numbers: readonly number[]): Set<number> {
  const ends: number[] = [];
  const before: number[] = [];
  numbers.forEach((n, i) => {
    let [from, to] = [0, ends.length];
    while (from < to) {
      const half = (from + to) >> 1;
      if (numbers[ends[half]!]! < n) from = half + 1;
      else to = half;
    }
    before[i] = from > 0 ? ends[from - 1]! : -1;
    ends[from] = i;
  });
  const kept = new Set<number>();
  for (let i = ends.at(-1) ?? -1; i >= 0; i = before[i]!) kept.add(i);
  return kept;
}
