import { type EditionCollection, type EditionItem, withInside } from "../editions/content";
import { mergeMarked, mergeWords } from "../merge/merge-text";

/** The words that are told of what was taken: of an item its heading and context line; of the rest its titles and leads. */
const LENT_WORDS = ["title", "description", "intro", "heading", "context"] as const;
export type LentWords = (typeof LENT_WORDS)[number];

/** What stands in the own copy now, by the ids it has here; of what is gone from it, nothing. */
export type Own = ReadonlyMap<string, Partial<Record<LentWords, string>>>;

/** One thing the lender has changed since, to be taken or left. */
export type Offered = {
  /** By which it is taken or left. */
  key: string;
  /** Of what, as the lender has it: its id, what it is, its title, and titles of what it stands in. */
  id: string;
  kind: "collection" | "section" | "item";
  title: string;
  where: string[];
} & (
  | {
      what: "words";
      of: LentWords;
      /** What was taken, what the lender has now, and what stands in the own copy. */
      before: string;
      now: string;
      own: string;
      /** What taking it would make of the own words: the lender's, or both put together; null: both changed the same. */
      merged: string | null;
    }
  | { what: "added" }
  | { what: "gone" }
);

/** What was left of the offers so far: the lender's words then, or that it came or went. */
export type Settled = Readonly<Record<string, string>>;

type Node = {
  id: string;
  kind: Offered["kind"];
  title: string;
  where: string[];
  /** The section or collection it stands in. */
  parent: string;
  words: Partial<Record<LentWords, string>>;
  item: EditionItem | null;
};

/**
 * What a lender has changed since something was taken, as far as it was not left already and does not stand in
 * the own copy by now. What came is offered where all of what it came into was taken. Places are the own copy's: that something stands elsewhere there by now is not offered.
 * (Three-way merge by field: what was taken, what the lender has now, what stands here.)
 * @param taken what was taken
 * @param lent what the lender shows now
 * @param pairs ids there with ids here
 * @param own what stands here
 */
export function offeredOf(
  taken: EditionCollection,
  lent: EditionCollection,
  pairs: Readonly<Record<string, string>>,
  own: Own,
  settled: Settled = {},
): Offered[] {
  const [before, now] = [nodesOf(taken), nodesOf(lent)];
  const offers: Offered[] = [];
  const said = ({ id, kind, title, where }: Node) => ({ id, kind, title, where });
  for (const node of now.values()) {
    const was = before.get(node.id);
    const here = own.get(pairs[node.id] ?? "");
    if (!was) {
      // What came with something that came is offered with it.
      const isInside = !before.has(node.parent) && now.has(node.parent);
      const isOwn = own.has(pairs[node.parent] ?? "");
      if (isOwn && !pairs[node.id] && !isInside && settled[node.id] !== "added")
        offers.push({ ...said(node), key: node.id, what: "added" });
      continue;
    }
    if (!here) continue;
    for (const of of LENT_WORDS) {
      const [a, b, c] = [was.words[of], node.words[of], here[of]];
      if (a === undefined || b === undefined || c === undefined || a === b || b === c) continue;
      const key = `${node.id} ${of}`;
      if (settled[key] === b) continue;
      const merged = (of === "intro" ? mergeMarked : mergeWords)(a, c, b);
      // Theirs stands in the own words already.
      if (merged === c) continue;
      offers.push({ ...said(node), key, what: "words", of, before: a, now: b, own: c, merged });
    }
  }
  for (const node of before.values()) {
    // Sections and collections stay: what is not the lender's may stand in them by now.
    if (node.kind !== "item" || now.has(node.id)) continue;
    if (own.has(pairs[node.id] ?? "") && settled[node.id] !== "gone")
      offers.push({ ...said(node), key: node.id, what: "gone" });
  }
  return offers;
}

/** How an offer is remembered that was left: the same one is not made again, another one is. */
export const settledBy = (offer: Offered): [key: string, said: string] => [
  offer.key,
  offer.what === "words" ? offer.now : offer.what,
];

/** Everything of a collection by its id, from the top down, in its order. */
function nodesOf(top: EditionCollection): Map<string, Node> {
  const nodes = new Map<string, Node>();
  const walk = (one: EditionCollection, parent: string, where: string[]) => {
    nodes.set(one.id, {
      ...{ id: one.id, kind: "collection", title: one.title, where, parent, item: null },
      words: { title: one.title, description: one.description },
    });
    const within = parent ? [...where, one.title] : where;
    for (const section of one.sections) {
      if (section.id !== null)
        nodes.set(section.id, {
          ...{ id: section.id, kind: "section", title: section.title, where: within, parent: one.id },
          ...{ words: { title: section.title, intro: section.intro }, item: null },
        });
      const inSection = section.id === null ? within : [...within, section.title];
      for (const item of section.items)
        nodes.set(item.id, {
          ...{ id: item.id, kind: "item", title: item.heading || item.title, where: inSection },
          ...{ parent: section.id ?? one.id, item },
          words: { heading: item.heading, context: item.context },
        });
    }
    for (const inner of one.inside) walk(inner, one.id, within);
  };
  walk(top, "", []);
  return nodes;
}

/** An item that came, where it stands there: its collection, its section, and what stands before it in that. */
export type CameAt = { item: EditionItem; collection: string; section: string | null; after: string | null };

/** Where what came stands at the lender's: an item, or all items of a section that came. */
export function cameAt(lent: EditionCollection, id: string): CameAt[] {
  for (const one of withInside(lent))
    for (const section of one.sections) {
      const at = section.items.findIndex((item) => item.id === id);
      const here = { collection: one.id, section: section.id };
      if (at >= 0) return [{ ...here, item: section.items[at]!, after: section.items[at - 1]?.id ?? null }];
      if (section.id === id)
        return section.items.map((item, i) => ({ ...here, item, after: section.items[i - 1]?.id ?? null }));
    }
  return [];
}
