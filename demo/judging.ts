/**
 * Two rounds: one that has been opened and is being settled, and one in which the second person has still something to do. Of
 * each thing a line a person: no 1, partly 2, yes 3, cannot say 0, for currency, relevance, authority, accuracy, purpose.
 */
export const JUDGED = {
  daysAgo: 5,
  collection: "Week 3: the water table",
  title: "Week 3: what do we build on?",
  people: ["ama", "rhea"],
  said: {
    ama: [
      "33333",
      "33323",
      "23333",
      "13213",
      "33333",
      "32233",
      "33233",
      "23123",
      "33333",
      "13333",
      "33323",
      "22232",
    ],
    rhea: [
      "33333",
      "33313",
      "23333",
      "32213",
      "33333",
      "32233",
      "33133",
      "21123",
      "33323",
      "23333",
      "33333",
      "22032",
    ],
  },
  why: [
    ["ama", 3, "currency", "The numbers are from before the dam was opened."],
    ["rhea", 3, "currency", "The dam changes the level, not how one measures it."],
    ["ama", 7, "authority", "Nobody says who they are."],
    ["rhea", 7, "relevance", "Too hard for year 9 without a picture."],
  ],
  agreed: [[3, "22213", "Say beside it from when the numbers are."]],
  next: {
    daysAgo: 2,
    collection: "Sounds for the walk",
    title: "Sounds: first look",
    by: "rhea",
    said: "33323",
  },
} as const;

/**
 * A review that is screened by two: of each thing a sign a person: 3 in, 2 unsure, or the letter of the reason for which it is out
 * (a another question, b another kind of study, c other people or places, d nothing new in it, e not to be had).
 */
export const SCREENED = {
  daysAgo: 12,
  team: "Rewetting review",
  collection: "Rewetting: what the studies say",
  people: ["jonas", "bett"],
  searches: [
    {
      ...{ kind: "database", source: "Bog Journal, its own search", searched: "2026-09-02", hits: 31 },
      words: "(rewet* OR “drain blocking”) AND (methane OR carbon OR sphagnum)",
    },
    {
      ...{ kind: "database", source: "Heath Library catalogue", searched: "2026-09-03", hits: 9 },
      words: "peat AND drainage, all languages",
    },
    { kind: "other", source: "Lists of references, by hand", searched: "2026-09-10", hits: 4, words: "" },
  ],
  rounds: [
    {
      ...{ title: "Rewetting: titles and summaries", state: "done" },
      said: { jonas: "33b3333a3bd33c3", bett: "33b33332bbd2333" },
      agreed: [
        [7, "a"],
        [8, "3"],
        [11, "3"],
        [13, "c"],
      ],
    },
    {
      ...{ title: "Rewetting: whole texts", state: "settling" },
      said: { jonas: "333c3ade33", bett: "333c3ade3a" },
      agreed: [],
    },
  ],
} as const;

/** What the course is for, and which of its items serve what: the place of the item in its collection, codes, how much. */
export const OUTCOMES = {
  daysAgo: 8,
  text: `1 Know what a bog is
1.1 Say what peat is made of, and how slowly it grows
1.2 Tell a bog from a fen
1.3 Name five mosses of hummock and hollow
2 Measure water
2.1 Read a dipwell, and say what the number means
2.2 Draw a year of water levels and explain its shape
2.3 Say what draining does to a bog
3 Judge a source
3.1 Say who made it, when, and what for
3.2 Compare two sources that disagree`,
  serves: [
    ["Week 1: what a bog is", 0, "1.1", "full"],
    ["Week 1: what a bog is", 1, "1.1", "part"],
    ["Week 1: what a bog is", 2, "1.2", "full"],
    ["Week 1: what a bog is", 3, "1.2", "part"],
    ["Week 1: what a bog is", 4, "1.1", "part"],
    ["Week 3: the water table", 0, "2.1", "full"],
    ["Week 3: the water table", 1, "2.1", "full"],
    ["Week 3: the water table", 2, "2.1", "part"],
    ["Week 3: the water table", 3, "2.2", "part"],
    ["Week 3: the water table", 5, "2.2", "full"],
    ["Week 3: the water table", 6, "2.3", "part"],
    ["Week 5: mosses by hand", 0, "1.3", "full"],
    ["Week 5: mosses by hand", 1, "1.3", "part"],
  ],
} as const;
