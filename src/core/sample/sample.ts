import type { Kind } from "../page/facts";

export type SampleItem = {
  kind: Kind;
  title: string;
  description: string;
  minutes: number;
  /** Why it stands there; some have none yet, to be written by whoever tries. */
  context: string;
};

/** A made-up collection, for whoever wants to try things on something that is not theirs. Nothing in it is real. */
export const SAMPLE: {
  title: string;
  description: string;
  sections: { title: string; items: SampleItem[] }[];
} = {
  title: "To try: a walk on the moss",
  description:
    "Made up, to try things on: move, write, take out, share. It goes away with one press, from the Desk.",
  sections: [
    {
      title: "Before you go",
      items: [
        {
          kind: "page",
          title: "What a bog is, in five pictures",
          description:
            "Rain, moss, cold and a thousand years. The five pictures are enough for a first look.",
          minutes: 6,
          context: "Begin here. Which of the five have you seen?",
        },
        {
          kind: "video",
          title: "Ninety days of moss in a jar",
          description: "One jar, one picture a day. Nothing happens until it does.",
          minutes: 3,
          context: "Watch it twice: the second time, look only at the water.",
        },
        {
          kind: "document",
          title: "What to bring: a list to print",
          description: "Boots, a pencil, something warm. One page.",
          minutes: 1,
          context: "",
        },
      ],
    },
    {
      title: "Out on the boards",
      items: [
        {
          kind: "sound",
          title: "Curlew before sunrise",
          description: "Four minutes at post 7, with wind.",
          minutes: 4,
          context: "Listen at the gate, before anybody speaks.",
        },
        {
          kind: "picture",
          title: "Sundew, ten times its size",
          description: "The drops are not dew.",
          minutes: 1,
          context: "",
        },
        {
          kind: "note",
          title: "Where to stand",
          description: "Two on a board, never three. The third board after the bridge is the soft one.",
          minutes: 1,
          context: "Read aloud, then count off in pairs.",
        },
      ],
    },
  ],
};

/** All items, in order. */
export const sampleItems = (): SampleItem[] => SAMPLE.sections.flatMap((section) => section.items);

/** What makes each of the sample's resources itself, so that a team has it once and finds it again to put it away. */
export const sampleIdentity = (item: Pick<SampleItem, "title">): string => `sample:${item.title}`;
