import { distance } from "../search/did-you-mean";
import { tagKey, type TagUse } from "./tag-name";

/** Fewer letters are near to too much. */
const LEAST = 4;

/**
 * The tags one may have meant where none begins so: of which a word, or its beginning as long as what is typed, is one slip
 * away (a letter too many, too few, another one, or two swapped). The most used first.
 * @param typed the letters so far
 * @param tags of the team
 * @param most how many to offer
 */
export function nearTags(typed: string, tags: readonly TagUse[], most = 3): TagUse[] {
  const start = tagKey(typed);
  if (start.length < LEAST) return [];
  const isNear = (part: string) =>
    // With a letter left out the beginning is one longer than what is typed; with one too many, shorter.
    [start.length - 1, start.length, start.length + 1].some(
      (length) => length <= part.length && distance(start, part.slice(0, length), 1) === 1,
    );
  return tags
    .filter(({ name }) => {
      const key = tagKey(name);
      return key !== start && (isNear(key) || key.split(" ").some(isNear));
    })
    .sort((a, b) => b.count - a.count)
    .slice(0, most);
}
