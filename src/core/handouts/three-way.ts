/** One text of an item, as a learner sees it. */
export type Shown = {
  words: string;
  /** What was given since they wrote theirs; null: nothing else. */
  beside: string | null;
};

/**
 * One field of a handout after a correction. What the learner left alone takes the new words; what they wrote stays, with
 * the new words beside it when these are others than those they began from. (Three-way merge by field; words are not
 * mixed, because the words of a learner are theirs.)
 * @param from what was given when the learner wrote theirs; null: it is not known, as when they wrote into nothing
 * @param mine what the learner wrote; null: nothing
 * @param given what is given now
 * @example
 * shownOf("Read this", "I think it is peat", "Read this first");
 * // { words: "I think it is peat", beside: "Read this first" }
 */
export function shownOf(from: string | null, mine: string | null, given: string): Shown {
  if (mine === null) return { words: given, beside: null };
  return { words: mine, beside: given === (from ?? "") || given === mine ? null : given };
}
