import type { Who } from "./people";

/** What the team of the station means by its marks. */
export const MEANINGS = ["claim", "doubt", "for the exam"] as const;

type DemoMark = {
  at: string;
  by: Who;
  words: string;
  meaning?: (typeof MEANINGS)[number];
  note?: string;
  alone?: boolean;
};

/** What was marked while reading, three days ago. */
export const MARKS: readonly DemoMark[] = [
  {
    at: "peat-notebook/ten-myths",
    by: "ama",
    words: "A raised bog is fed by rain and by nothing else.",
    meaning: "for the exam",
    note: "The sentence they should be able to say in their sleep.",
  },
  {
    at: "peat-notebook/ten-myths",
    by: "rhea",
    words: "A drain one spade wide can dry a strip as broad as a football pitch.",
    meaning: "claim",
    note: "Measured where? Our wells say half of that.",
  },
  {
    at: "peat-notebook/ten-myths",
    by: "ama",
    words: "The dam boards are oak, because larch gave out after nine years.",
    meaning: "doubt",
    note: "Ask in the workshop: ours are larch, and they are twelve.",
  },
  {
    at: "peat-notebook/ten-myths",
    by: "rhea",
    words: "Nobody has to be an expert to notice that a pool has gone.",
  },
  {
    at: "peat-notebook/ten-myths",
    by: "ama",
    words: "Cotton-grass is the first to come back and the first to be noticed.",
    note: "Begin the talk with this.",
    alone: true,
  },
  {
    at: "peat-notebook/acrotelm",
    by: "ines",
    words: "What looks flat on the map is a pattern of hummocks, lawns and hollows.",
    meaning: "for the exam",
  },
];

export const NOTE_ON_THE_WHOLE = {
  at: "peat-notebook/ten-myths",
  by: "rhea",
  note: "Myths one to four are enough for a single lesson; the rest is for those who are done early.",
} as const satisfies Omit<DemoMark, "words">;
