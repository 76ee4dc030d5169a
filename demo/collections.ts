/** An item: where it is on the stand-in web (`site/path`), the context line, its tags, a heading of its own. */
export type DemoItem = [at: string, context: string, tags: string, heading?: string];
export type DemoCollection = {
  team: "Lantern Moss" | "Rewetting review" | "Year 10, science";
  /** So many days before today it was begun. */
  daysAgo: number;
  title: string;
  about: string;
  inside?: string;
  audience?: "link" | "public";
  view?: "cards";
  sections: { title: string | null; items: DemoItem[] }[];
};

export const COLLECTIONS: DemoCollection[] = [
  {
    team: "Lantern Moss",
    daysAgo: 298,
    title: "Peatland course",
    about: "Eight weeks on one bog, for Year 10. Each week is a collection of its own.",
    audience: "link",
    sections: [
      {
        title: null,
        items: [
          [
            "lantern-moss/learn/year-10",
            "The plan of the whole field morning. Read it once before week 1, and again the evening before.",
            "planning",
          ],
          [
            "heath-library/guides/levels",
            "Which text suits whom: use it when a group finishes early.",
            "planning, reading level",
          ],
          [
            "bog-journal/2020/school-visits",
            "What last year’s pupils still knew. The smell, mostly.",
            "planning, school visits",
          ],
        ],
      },
    ],
  },
  {
    team: "Lantern Moss",
    daysAgo: 290,
    title: "Week 1: what a bog is",
    about: "Water, moss and time. One lesson indoors.",
    inside: "Peatland course",
    audience: "link",
    sections: [
      {
        title: "To begin",
        items: [
          [
            "peat-notebook/ten-myths",
            "Let them guess first: which three of the ten are true?",
            "first lesson, peat",
          ],
          [
            "standing-water/watch/squeeze-test",
            "Stop before the cup is full and ask how much more will come.",
            "first lesson, sphagnum moss",
            "The squeeze test: how much water?",
          ],
          ["mosskey/four-by-colour", "", "sphagnum moss, identification"],
        ],
      },
      {
        title: "For those who want more",
        items: [
          ["peat-notebook/acrotelm", "The two layers. We need both words in week 3.", "peat, carbon store"],
          ["peat-notebook/hummock-hollow", "", "peat, plants"],
          [
            "heath-library/fr/tourbiere",
            "Pour Élodie et Malo, qui lisent plus vite en français.",
            "first lesson, other languages",
          ],
        ],
      },
    ],
  },
  {
    team: "Lantern Moss",
    daysAgo: 226,
    title: "Week 3: the water table",
    about: "How high the water stands decides what a bog does. For Year 10, two lessons and a field morning.",
    inside: "Peatland course",
    audience: "public",
    sections: [
      {
        title: "Before you go",
        items: [
          [
            "standing-water/watch/east-dam-year",
            "Watch this first, with the sound off: where does the water slow down?",
            "water table, dams",
          ],
          [
            "peat-notebook/what-a-dipwell-tells-you",
            "Read only the second half. The graph is the one we redraw on Thursday.",
            "water table, dipwell",
          ],
          [
            "lantern-moss/files/dipwell-sheet.pdf",
            "Print one for each pair and bring a pencil, not a pen.",
            "dipwell, field sheet",
            "Dipwell sheet, Year 10",
          ],
          [
            "lantern-moss/files/core-sample.png",
            "Shown again in week 6: keep your labels.",
            "peat core",
            "Core sample, 0 to 50 cm",
          ],
        ],
      },
      {
        title: "At the bog",
        items: [
          ["moor-sounds/dawn-east-basin", "Listen while you wait at post 7.", "birds, listening"],
          [
            "lantern-moss/learn/dipwell-sheet",
            "Step 3 is the one everybody gets wrong: from the rim, not from the ground.",
            "dipwell, field sheet",
          ],
          ["lantern-moss/visit/safety", "Read aloud at the gate.", "safety"],
          ["lantern-moss/learn/pencil-not-pen", "", "field sheet"],
          [
            "mosskey/sphagnum/cuspidatum",
            "You will stand beside it at post 4.",
            "sphagnum moss, identification",
          ],
        ],
      },
      {
        title: "Back in class",
        items: [
          [
            "lantern-moss/data/water-table",
            "Find last Thursday. Is your number on the line?",
            "water table, data",
          ],
          ["lantern-moss/data/weather", "Did it rain the night before? Say how you know.", "data, weather"],
          [
            "bog-journal/2025/citizen-dipwells",
            "For the sceptics: people like you were 11 mm out.",
            "dipwell, measuring, study",
          ],
          ["standing-water/watch/first-flood", "The same dam, the first time it held.", "dams, water table"],
          ["heath-library/guides/citing", "Your record is a source. This is how it is cited.", "citing"],
        ],
      },
    ],
  },
  {
    team: "Lantern Moss",
    daysAgo: 187,
    title: "Sounds for the walk",
    about: "Six stops, six sounds. Headphones off between the posts, please.",
    audience: "public",
    view: "cards",
    sections: [
      {
        title: null,
        items: [
          ["moor-sounds/curlew-at-dusk", "Post 1. Wait for the second call.", "birds, listening"],
          ["moor-sounds/snipe-drumming", "Post 2. It is not a voice.", "birds, listening"],
          ["moor-sounds/frogs-in-march", "Post 3, in spring only.", "animals, listening"],
          ["moor-sounds/under-the-ice", "Post 4, whatever the season.", "winter, listening"],
          ["moor-sounds/wardens-tale", "On the way home, if there is time.", "drainage, history, listening"],
          ["moor-sounds/how-to-record", "For the group that makes its own.", "listening, measuring"],
        ],
      },
    ],
  },
  {
    team: "Lantern Moss",
    daysAgo: 152,
    title: "Moss key for beginners",
    about: "The handful you will really meet, in the order in which you will meet them.",
    audience: "link",
    view: "cards",
    sections: [
      {
        title: "On hummocks",
        items: [
          ["mosskey/key/start", "Begin here each time, however sure you are.", "identification"],
          ["mosskey/sphagnum/capillifolium", "", "sphagnum moss, identification"],
          ["mosskey/sphagnum/papillosum", "If in doubt, it is this one.", "sphagnum moss, identification"],
        ],
      },
      {
        title: "On lawns and in water",
        items: [
          ["mosskey/sphagnum/fallax", "", "sphagnum moss, identification"],
          ["mosskey/sphagnum/cuspidatum", "Pull it out gently: the drowned kitten.", "sphagnum moss"],
          ["standing-water/watch/time-lapse-moss", "One minute for the impatient.", "sphagnum moss"],
        ],
      },
      {
        title: "Not a moss at all",
        items: [
          ["mosskey/cotton-grass", "", "plants, identification"],
          ["mosskey/sundew", "Kneel on the board, not beside it.", "plants"],
          [
            "heath-library/catalogue/drains-1911",
            "The names are the old ones; the drawings are still the best.",
            "identification, history",
          ],
        ],
      },
    ],
  },
  {
    team: "Lantern Moss",
    daysAgo: 118,
    title: "Spring newsletter",
    about: "What goes to parents in March.",
    sections: [
      {
        title: null,
        items: [
          ["lantern-moss/news/east-dam", "Lead with the picture of the boards.", "dams, news"],
          ["lantern-moss/news/open-day", "", "news"],
          ["standing-water/watch/walk-with-tomas", "", "news, walks"],
          ["lantern-moss/visit/before-you-come", "Every year somebody comes in sandals.", "planning, safety"],
          ["lantern-moss/visit/paths", "", "walks, planning"],
        ],
      },
    ],
  },
  {
    team: "Rewetting review",
    daysAgo: 81,
    title: "Rewetting: what the studies say",
    about: "Long list for the review. Context lines say why each is in; appraisal follows.",
    audience: "public",
    sections: [
      {
        title: "Gases",
        items: [
          [
            "bog-journal/2024/methane-review",
            "Start here; check whether their 61 include our own two.",
            "methane, review article",
          ],
          [
            "bog-journal/2023/water-table-carbon",
            "The regression everybody cites. Nine sites, none of ours.",
            "carbon store, water table, study",
          ],
          [
            "peat-notebook/methane-question",
            "Not a study, but the plainest account for the preface.",
            "methane",
          ],
          ["peat-notebook/wet-bog-carbon", "", "carbon store"],
        ],
      },
      {
        title: "Ground and plants",
        items: [
          [
            "bog-journal/2022/sphagnum-transplant",
            "Survival after five winters: turves, plugs, pellets.",
            "sphagnum moss, study",
          ],
          ["bog-journal/2024/cost-of-dams", "For the money chapter.", "dams, costs, study"],
          ["bog-journal/2021/peat-fire-depth", "", "fire, study"],
          [
            "bog-journal/2019/birds-after-rewetting",
            "Ten years at one site: interesting, not general.",
            "birds, study",
          ],
          ["standing-water/watch/drain-blocking", "Method 2 in the table.", "drainage, dams"],
          ["standing-water/watch/core-from-above", "", "peat core, measuring"],
        ],
      },
      {
        title: "Before our time",
        items: [
          ["peat-notebook/drainage-history", "", "drainage, history"],
          [
            "heath-library/catalogue/peat-diary",
            "1887: the water stood “to the second bar”. Which bar?",
            "history, water table",
          ],
          ["heath-library/buch/moorkunde", "Bettany reads German; chapter 7.", "other languages, history"],
          ["heath-library/ja/deitan", "", "other languages, dipwell"],
          ["bog-journal/2018/old-mapping", "", "drainage, measuring"],
        ],
      },
    ],
  },
  {
    team: "Lantern Moss",
    daysAgo: 47,
    title: "Unit 2: who lives there",
    about: "Mosses, birds and what the ground remembers. After the field morning.",
    inside: "Peatland course",
    sections: [],
  },
  {
    team: "Lantern Moss",
    daysAgo: 41,
    title: "Week 5: mosses by hand",
    about: "One lens for two, and four colours.",
    inside: "Unit 2: who lives there",
    sections: [
      {
        title: null,
        items: [
          ["mosskey/four-by-colour", "Begin with the colour; the names come later.", "identification"],
          [
            "mosskey/sphagnum/cuspidatum",
            "The one from post 4. Press it between two fingers.",
            "identification",
          ],
          ["standing-water/watch/squeeze-test", "Once more, now that they know why.", "sphagnum moss"],
        ],
      },
    ],
  },
  {
    team: "Lantern Moss",
    daysAgo: 33,
    title: "Week 6: what the ground remembers",
    about: "Two metres of peat are two thousand years.",
    inside: "Unit 2: who lives there",
    sections: [
      {
        title: null,
        items: [
          ["lantern-moss/files/core-sample.png", "Bring the labels from week 3.", "peat core"],
          ["peat-notebook/acrotelm", "Which layer is missing where it was cut?", "peat"],
          ["moor-sounds/dawn-east-basin", "Listen while the core goes round.", "listening"],
        ],
      },
    ],
  },
  {
    team: "Year 10, science",
    daysAgo: 19,
    title: "Field morning: our notes",
    about: "What each pair has found. One page, one sentence.",
    audience: "link",
    sections: [
      {
        title: "Read before",
        items: [
          ["lantern-moss/visit/safety", "Everybody, please, before Thursday.", "safety"],
          ["peat-notebook/what-a-dipwell-tells-you", "Only the second half.", "water table"],
        ],
      },
      { title: "Look up afterwards", items: [["peat-notebook/hummock-hollow", "", "plants"]] },
    ],
  },
];

/** What waits in Ama's Tray. */
export const TRAY = [
  "standing-water/watch/raising-boards",
  "lantern-moss/files/field-book.docx",
  "peat-notebook/reading-a-core",
  "peat-notebook/bog-in-winter",
  "peat-notebook/fire-and-peat",
  "lantern-moss/about/people",
  "bog-journal/members",
  "heath-library/gone",
];

/** What the review has found so far, page after page of it: a heap to be looked through. */
export const FOUND = Array.from({ length: 84 }, (_, i) => {
  const site = ["heath-library", "bog-journal", "peat-notebook"][i % 3]!;
  return `${site}/many/${500 + i * 7}`;
});
/** Who had a second look at an item, and when: people come back to what others have made. */
export const LATER: { daysAgo: number; who: "rhea" | "ines" | "ama"; collection: string; tag: string }[] = [
  { daysAgo: 72, who: "rhea", collection: "Week 3: the water table", tag: "lesson tried" },
  { daysAgo: 28, who: "ines", collection: "Moss key for beginners", tag: "lesson tried" },
  { daysAgo: 9, who: "rhea", collection: "Sounds for the walk", tag: "with headphones" },
  { daysAgo: 3, who: "ama", collection: "Week 1: what a bog is", tag: "lesson tried" },
];

/** When a collection was kept as it stood, and what was new in it. */
export const EDITIONS: { daysAgo: number; collection: string; words: string }[] = [
  { daysAgo: 60, collection: "Peatland course", words: "The first unit, as tried with Year 9 in spring." },
  {
    daysAgo: 12,
    collection: "Peatland course",
    words: "Unit 2 is new: mosses by hand, and what the ground remembers.",
  },
];
