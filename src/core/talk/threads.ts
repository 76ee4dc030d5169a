/** Something that was said: about an item, a section, or with neither about the collection as a whole. */
export type Said = {
  id: string;
  placement: string | null;
  section: string | null;
  /** The one it answers, with which the thread begins. */
  thread: string | null;
  settledAt: string | null;
  gone: boolean;
};

/** What somebody said first, and what was answered. */
export type Thread<T> = { first: T; answers: T[]; settled: boolean };

/** What a thread is about, for lists by it; the collection as a whole is the empty text. */
export const subjectOf = (said: Pick<Said, "placement" | "section">): string =>
  said.placement ?? said.section ?? "";

/**
 * Threads, in the order in which they began, each with its answers in the order in which they came. An answer whose
 * beginning is not among these stands by itself: it is not lost.
 * @param all in the order in which they were said
 */
export function threadsOf<T extends Said>(all: readonly T[]): Thread<T>[] {
  const threads = new Map<string, Thread<T>>();
  for (const one of all) {
    const begun = one.thread ? threads.get(one.thread) : undefined;
    if (begun) begun.answers.push(one);
    else threads.set(one.id, { first: one, answers: [], settled: one.settledAt !== null });
  }
  return [...threads.values()];
}

/** How much is said in threads that are not settled, by what they are about. What was taken back does not count. */
export function countOpen(all: readonly Said[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const { first, answers, settled } of threadsOf(all)) {
    const said = [first, ...answers].filter((one) => !one.gone).length;
    if (!settled && said) counts.set(subjectOf(first), (counts.get(subjectOf(first)) ?? 0) + said);
  }
  return counts;
}
