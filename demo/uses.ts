/** The newsletter of the station: who asked for it, what went out, and what is written for the next one. */
export const NEWSLETTER = {
  collection: "Spring newsletter",
  readers: ["wren@moss.example", "halvor@fen.example", "odile@bog.example"],
  sentDaysAgo: 20,
  subject: "The cranes are back, and so are we",
  greeting:
    "Dear friends of the station,\nthe ice is gone from the east basin. Here is what we read by the stove.",
  closing: "The next walk is on the first Saturday of the month, at nine, from the tool shed. Bring boots.",
  thenDaysAgo: 2,
  next: ["peat-notebook/bog-in-winter", "What the bog does when nobody looks. Read it before the walk."],
  draft: "Dear friends,\nonly one thing this time, but read it slowly.",
} as const;

/** What Rhea shows of her work: public collections, and a film she comes back to, of which a part is meant. */
export const PORTFOLIO = {
  daysAgo: 9,
  title: "Rhea Tammik, who teaches outdoors",
  about:
    "I take classes of thirteen to sixteen onto the bog, in all weathers. This is what I made for it, and what I keep going back to.",
  shows: [
    [
      "Sounds for the walk",
      "Six posts, six sounds: the walk I have taken most often, by now some forty times.",
    ],
    [
      "Week 3: the water table",
      "Two lessons and a morning with wet feet. The tables are the children’s own.",
    ],
  ],
  single: {
    at: "standing-water/watch/core-from-above",
    context: "I show this half minute before every field morning, and nothing else.",
    part: { clipFrom: 40, clipTo: 75 },
    captions: `WEBVTT

00:00:40.000 --> 00:00:48.000
Push straight down, and do not turn yet.

00:00:48.000 --> 00:01:00.000
Now turn, once, all the way round.

00:01:00.000 --> 00:01:15.000
Lift slowly: what comes up first is the youngest.
`,
  },
} as const;
