import { tokensOf } from "../search/tokens";
import type { Weighed } from "../search/weigh";
import { tagKey } from "./tag-name";

/** Another resource that is like the one in hand: its tags, and how like it is (any scale). */
export type Neighbour = { tags: readonly string[]; likeness: number };
export type Suggested = { name: string; score: number; why: string };

/** How much the words of the name count beside what neighbours are tagged with. */
const NAME = 0.6;
const NEIGHBOURS = 0.4;
/** Below this it is no suggestion. */
const LEAST = 0.12;

/**
 * Which of the team's tags a text might get: those whose words are heavy in it, and those that resources like it have.
 * Either is a share between 0 and 1: of the name, the lightest of its words beside the heaviest term of the text; of the
 * neighbours, the part of all likeness that carries the tag.
 * @param terms of the text, as `weigh` gives them
 * @param language BCP 47, of the text: names are stemmed like it
 */
export function suggestTags(
  terms: readonly Weighed[],
  tags: readonly string[],
  neighbours: readonly Neighbour[],
  { language = null as string | null, has = [] as readonly string[], most = 8 } = {},
): Suggested[] {
  const weights = new Map(terms.map(({ term, weight }) => [term, weight]));
  const heaviest = Math.max(1, ...weights.values());
  const all = neighbours.reduce((sum, one) => sum + one.likeness, 0);
  const among = new Map<string, number>();
  for (const { tags, likeness } of neighbours)
    for (const name of tags) among.set(tagKey(name), (among.get(tagKey(name)) ?? 0) + likeness);
  const taken = new Set(has.map(tagKey));
  const found: Suggested[] = [];
  for (const name of tags) {
    const key = tagKey(name);
    if (taken.has(key)) continue;
    const words = tokensOf(name, language).filter((token) => !token.part);
    const lightest = words.length
      ? Math.min(...words.map(({ term, word }) => weights.get(term) ?? weights.get(word) ?? 0))
      : 0;
    const byName = lightest / heaviest;
    const byNeighbours = all > 0 ? (among.get(key) ?? 0) / all : 0;
    const score = NAME * byName + NEIGHBOURS * byNeighbours;
    if (score < LEAST) continue;
    const why =
      NAME * byName >= NEIGHBOURS * byNeighbours
        ? "Its words stand in the text."
        : "Texts like this one have it.";
    found.push({ name, score, why });
  }
  return found.sort((a, b) => b.score - a.score || (a.name < b.name ? -1 : 1)).slice(0, most);
}
