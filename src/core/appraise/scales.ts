/** How a question is answered: no, partly, yes; one to five; or, when things are screened, out, unsure, in. */
export const SCALES = ["three", "five", "screen"] as const;
export type Scale = (typeof SCALES)[number];

/** A step of a scale: what is kept, and what it is called where nobody gave it words of its own. */
export type Step = { value: number; word: string };

const STEPS: Record<Scale, readonly Step[]> = {
  three: ["No", "Partly", "Yes"].map((word, i) => ({ value: i + 1, word })),
  screen: ["Out", "Unsure", "In"].map((word, i) => ({ value: i + 1, word })),
  five: ["1", "2", "3", "4", "5"].map((word, i) => ({ value: i + 1, word })),
};

/** The steps of a scale, the least first. */
export const stepsOf = (scale: Scale): readonly Step[] => STEPS[scale];

/** The step of a screening that says that a thing is not taken on. */
export const OUT = 1;

/** What a scale is called where it is chosen. */
export const SCALE_WORDS: Record<Scale, string> = {
  three: "no, partly, yes",
  five: "1 to 5",
  screen: "out, unsure, in",
};
