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
