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

/** What a class has been given, and what some of it have done with it by now. */
export const HANDOUT = {
  daysAgo: 4,
  collection: "Week 3: the water table",
  group: "Year 10, Tuesdays",
  names: "Alda, Bram, Cilla, Dov, Edda, Finn, Greta, Hanno, Ilse, Jori, Kaia, Lorenz".split(", "),
  /** By name: how many of the first things are ticked, what is answered at which, whether it is handed in. */
  work: {
    Alda: {
      done: 6,
      answers: {
        0: "Because peat lets go of water very slowly. The well was still at 12 cm after two dry weeks.",
        1: "I would measure every three hours at first, and then once a day.",
      },
      own: [0, "The picture with the two wells. You see it before you understand it."],
      find: ["peat-notebook/reading-a-core", "It shows how far down the water was a hundred years ago."],
      handedIn: true,
    },
    Bram: { done: 3, answers: { 0: "It sinks in summer." } },
    Cilla: {
      done: 4,
      answers: { 0: "The ditch takes it.", 2: "Our table has 14 and 9, I think 9 is wrong." },
    },
    Edda: { done: 2, answers: {} },
    Greta: { done: 6, answers: { 0: "The moss drinks it up again at night." }, handedIn: true },
    Jori: { done: 0, answers: {} },
  } as Record<
    string,
    {
      done: number;
      answers: Record<number, string>;
      own?: [item: number, words: string];
      find?: [at: string, context: string];
      handedIn?: boolean;
    }
  >,
};

/** Somebody of another team who is let into one collection. */
export const GUEST = {
  daysAgo: 12,
  by: "jonas",
  who: "rhea",
  collection: "Rewetting: what the studies say",
} as const;

/** What was said about an item, by its number in its collection: first, and then in answer. */
export const TALK = {
  daysAgo: 3,
  collection: "Moss key for beginners",
  item: 1,
  said: [
    [
      "rhea",
      "@Ama Okeri, is this key still right for the long-leaved ones? My class got stuck at step four.",
    ],
    ["ines", "Step four asks for a lens. @Rhea, we have twelve in the cupboard by the door."],
  ],
  /** Who is asked to see to which item, by whom, and how many days they have. */
  asked: { by: "ines", who: "ama", item: 3, days: 9 },
} as const;

/** What passers-by suggested for a collection; some of it is decided by now. */
export const SUGGESTED = {
  daysAgo: 2,
  collection: "Moss key for beginners",
  ask: "Where have you found a moss, and how did you tell which it was? A page, a photo or a few words.",
  holds: "casino\ndiscount",
  /** Decided by its number: taken, or not, with a word. */
  given: [
    {
      name: "Henrike",
      text: "The red one on top of the hummocks was Sphagnum rubellum. I looked at the shape of the leaves of a stem, and it is at the third post of the boardwalk.",
      why: "For the page with the red ones.",
    },
    {
      name: "Mats",
      at: "mosskey/sphagnum/capillifolium",
      why: "It has the leaf beside the photograph, so you see what to look for.",
      decided: { accept: true, word: "Thank you! It stands right at the beginning." },
    },
    {
      name: "Year 6, table 2",
      text: "Ours was wet and squeaked.",
      decided: { accept: false, word: "Which one squeaked? Come and show us." },
    },
    {
      name: "Joona",
      at: "standing-water/watch/walk-with-tomas",
      why: "He kneels at every third moss and says why.",
    },
    {
      name: "Joona",
      text: "Could there be a page with only the five commonest? My group gave up at the key.",
    },
  ] as {
    name: string;
    text?: string;
    at?: string;
    why?: string;
    decided?: { accept: boolean; word: string };
  }[],
};

/** What one team shows of another, as it stands there. */
export const SHOWN = {
  daysAgo: 6,
  by: "ama",
  collection: "Field morning: our notes",
  shown: "Sounds for the walk",
  context: "The station's own list. Play each once before Thursday, and say which you would know again.",
} as const;

/** What stands on the public pages of a team and of somebody in it. */
export const ABOUT_LANTERN =
  "The field station at the edge of the bog. What we gather for our own courses, anybody may use.";
export const ABOUT_RHEA = "I teach outdoors, most of the year. Sounds first, then names.";

/** A site whose feed somebody follows. */
export const FOLLOWED = { by: "ama", site: "peat-notebook/feed.xml" } as const;
