/** People judge, each for themselves; then they settle what differs; then it is done. */
export const ROUND_STATES = ["judging", "settling", "done"] as const;
export type RoundState = (typeof ROUND_STATES)[number];

/** What a state is called. */
export const STATE_WORDS: Record<RoundState, string> = {
  judging: "being judged",
  settling: "being settled",
  done: "done",
};

/** So many things are in one round, and so many people. */
export const MOST_IN_ROUND = 2_000;
export const MOST_JUDGES = 50;
