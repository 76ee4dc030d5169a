import type { Criterion } from "./criteria";

const three = (id: string, name: string, question: string, guide: [string, string, string]): Criterion => ({
  ...{ id, name, question, scale: "three", guide, weight: 1 },
});

/**
 * What a team that has no criteria yet can begin with: the five aspects by which libraries teach to judge a source. The
 * aspects are common practice with no one source; the questions and words are our own.
 */
export const STARTER = {
  name: "A source",
  criteria: [
    three("currency", "Currency", "Is it recent enough for what you need it for?", [
      "Out of date, or nobody can tell how old it is",
      "Older, but what you need still holds",
      "Recent, or looked after",
    ]),
    three("relevance", "Relevance", "Does it answer your question, for the people you have in mind?", [
      "Beside the question, or at the wrong level",
      "In part, or with help",
      "Yes, as it is",
    ]),
    three("authority", "Authority", "Who says it, and do they know?", [
      "Nobody says who they are",
      "Named, but not known for this",
      "Known for this, or answerable for it",
    ]),
    three("accuracy", "Accuracy", "Is it right, and does it show where it has it from?", [
      "Mistakes, or nothing to check it by",
      "Sound, with few sources",
      "Sound, with sources or data you could check",
    ]),
    three("purpose", "Purpose", "Why is it there: to inform, to persuade, to sell?", [
      "To sell or persuade, and it hides that",
      "With an aim of its own that it says openly",
      "To inform or to teach",
    ]),
  ] satisfies Criterion[],
};

/** What a review screens by; the reasons are of the kind reviews give, and are the team's to change. */
export const SCREENING = {
  name: "Screening",
  criteria: [
    {
      ...{
        id: "belongs",
        name: "Belongs",
        question: "Does it belong in the review?",
        scale: "screen",
        weight: 1,
      },
      guide: ["It is left out", "Somebody else looks, or the next round decides", "It is taken on"],
      reasons: [
        ...["Another question", "Another kind of study", "Other people or places", "Nothing new in it"],
        ...["The whole text is not to be had"],
      ],
    },
  ] satisfies Criterion[],
};
