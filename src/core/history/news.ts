import type { Verb } from "./verbs";

/** What is other about an item since somebody was here. */
const NEWS = ["new", "words", "moved"] as const;
export type News = (typeof NEWS)[number];

/** Of what happened, what makes an item another one to whoever comes back, and what takes it away. */
const MEANS: Partial<Record<Verb, News | "gone">> = {
  "placements.add": "new",
  "bin.restore-placement": "new",
  "placements.edit": "words",
  "placements.move": "moved",
  "placements.remove": "gone",
};

/** The verbs of which there is news. */
export const NEWS_VERBS = Object.keys(MEANS) as Verb[];

/**
 * What is other in a collection since somebody was here, each item once by what weighs most: that it is new, that its words
 * are others, that it stands elsewhere. What came and went in between is no news.
 * @param events in the order in which they happened
 * @returns the items that stand there by their ids, and how many went that were there
 * @example
 * newsOf([{ verb: "placements.add", subject: "a" }, { verb: "placements.move", subject: "a" }]); // { items: Map { "a" => "new" }, gone: 0 }
 */
export function newsOf(events: readonly { verb: string; subject: string }[]): {
  items: Map<string, News>;
  gone: number;
} {
  const items = new Map<string, News>();
  const gone = new Set<string>();
  for (const { verb, subject } of events) {
    const means = MEANS[verb as Verb];
    if (means === "gone") {
      // It was not there when they were.
      if (items.get(subject) !== "new") gone.add(subject);
      items.delete(subject);
    } else if (means) {
      // What was put back is there as it was.
      if (gone.delete(subject)) continue;
      const before = items.get(subject);
      if (!before || NEWS.indexOf(means) < NEWS.indexOf(before)) items.set(subject, means);
    }
  }
  return { items, gone: gone.size };
}
