/** Why something public is reported. */
export const REASONS = ["harmful", "private", "rights", "misleading", "other"] as const;
export type Reason = (typeof REASONS)[number];

/** The same, in the words of whoever reports it. */
export const REASON_WORDS: Record<Reason, string> = {
  harmful: "It insults, threatens or harms somebody",
  private: "It shows something private",
  rights: "It uses something without the right to",
  misleading: "It says something that is not so",
  other: "Something else",
};
