/** How a page describes itself; real pages differ in just this. */
export type Manner =
  | "card" // Open Graph
  | "linked" // JSON-LD only
  | "library" // Dublin Core
  | "journal" // Highwire citation tags
  | "plain" // title and description
  | "poor" // next to nothing
  | "wall" // a cookie wall before the text
  | "watch" // video: oEmbed and a player page
  | "clip" // video: og:video, a file
  | "film" // video: JSON-LD VideoObject
  | "listen" // sound: og:audio
  | "episode"; // sound: JSON-LD

export type Page = {
  path: string;
  title: string;
  about: string;
  by?: string[];
  on?: string;
  minutes: number;
  manner: Manner;
  charset?: "windows-1252" | "shift_jis";
  lang?: string;
  body?: string[];
};

export type Site = { name: string; host: string; pages: Page[] };

const p = (path: string, title: string, about: string, manner: Manner, minutes: number, by = "", on = "", more: Partial<Page> = {}): Page => ({
  path, title, about, manner, minutes, by: by ? by.split(" & ") : undefined, on: on || undefined, ...more,
});

/** A small made-up web around a made-up peatland. Hosts end in .localhost. */
export const SITES: Site[] = [
  {
    name: "Lantern Moss Field Station",
    host: "lantern-moss",
    pages: [
      p("/visit/before-you-come", "Before you come to the moss", "What to wear, what to bring, and why the boards are slippery after nine.", "card", 3, "Isla Ferrand", "2026-02-11"),
      p("/visit/paths", "The three paths and how long each takes", "Boardwalk, dam walk and the long way round, with times for a class of thirty.", "card", 4, "Isla Ferrand", "2026-02-20"),
      p("/visit/safety", "Safety on soft ground", "Where not to step, how to get a boot back, and who to ring.", "plain", 3, "", "2025-09-03"),
      p("/learn/dipwell-sheet", "How to read a dipwell", "Four steps and a pencil: measure the water table the way the station does it.", "card", 2, "Tomas Reyl", "2026-01-15"),
      p("/learn/year-10", "Field morning for Year 10", "A plan for three hours on the bog with four stations and one wet break.", "library", 6, "Isla Ferrand", "2025-11-30"),
      p("/learn/pencil-not-pen", "Pencil, not pen", "Why every field book at the station is written in graphite.", "poor", 1),
      p("/data/water-table", "Water table, hourly since 2019", "The long record from twelve wells, drawn and as a table.", "linked", 2, "Lantern Moss Field Station", "2026-03-01"),
      p("/data/weather", "Weather at post 7", "Rain, wind and temperature, updated each night.", "linked", 1, "Lantern Moss Field Station", "2026-03-02"),
      p("/news/east-dam", "The east dam is finished", "Forty-one boards, two volunteers in to the waist, and the first pool behind it.", "card", 5, "Tomas Reyl", "2025-10-18"),
      p("/news/open-day", "Open day in May", "Guided walks at ten and two, soup at noon.", "plain", 1, "", "2026-03-05"),
      p("/about/people", "Who works here", "Five people, one dog and a great many volunteers.", "poor", 2),
    ],
  },
  {
    name: "Peat Notebook",
    host: "peat-notebook",
    pages: [
      p("/wet-bog-carbon", "Why a wet bog keeps its carbon", "No air, no rot: how water turns dead moss into a store that lasts ten thousand years.", "card", 8, "Mira Aldous", "2025-06-12"),
      p("/what-a-dipwell-tells-you", "What a dipwell tells you", "A tube with holes, a bit of string, and the most useful number on a bog.", "card", 6, "Mira Aldous", "2025-08-02"),
      p("/ten-myths", "Ten myths about bogs", "They are not bottomless, they do not eat horses, and the lights have a reason.", "linked", 9, "Mira Aldous", "2024-11-21"),
      p("/acrotelm", "The living skin: acrotelm and catotelm", "Two layers that do two different jobs, and what happens when one is lost.", "card", 7, "Mira Aldous & Jonas Petrik", "2025-01-30"),
      p("/hummock-hollow", "Hummock and hollow", "Why a bog is never flat, and who lives at which height.", "plain", 5, "Jonas Petrik", "2025-03-17"),
      p("/reading-a-core", "Reading a peat core", "From the top down: this year, your grandmother, the last ice.", "card", 10, "Jonas Petrik", "2025-04-04"),
      p("/drainage-history", "A short history of drains", "Who dug them, who paid, and why some still run.", "wall", 11, "Mira Aldous", "2024-09-09"),
      p("/methane-question", "The methane question, plainly", "Rewetting gives some off before it takes carbon in. How much, and for how long?", "card", 8, "Mira Aldous", "2025-09-28"),
      p("/bog-in-winter", "A bog in winter", "Ice on the pools, tracks on the boards, and the wells still moving.", "poor", 4),
      p("/fire-and-peat", "Fire that goes underground", "Why peat fires smoulder for weeks and what a wet spring changes.", "linked", 6, "Jonas Petrik", "2025-07-19"),
    ],
  },
  {
    name: "Standing Water",
    host: "standing-water",
    pages: [
      p("/watch/east-dam-year", "A year at the east dam", "Twelve months in twelve minutes: one camera, one dam, no words.", "watch", 12, "Standing Water", "2026-01-04"),
      p("/watch/raising-boards", "Raising the dam boards, autumn", "Two people, one lever, and the moment the water stops.", "watch", 6, "Standing Water", "2025-10-02"),
      p("/watch/first-flood", "The first flood after the dam", "Where the water goes when it cannot go down the drain.", "clip", 4, "Standing Water", "2025-12-11"),
      p("/watch/squeeze-test", "The squeeze test", "A handful of moss, a cup, and how much comes out.", "clip", 2, "Standing Water", "2025-05-23"),
      p("/watch/core-from-above", "Taking a core, from above", "Pushing, turning, lifting, laying out: forty seconds of each.", "film", 3, "Standing Water", "2025-04-15"),
      p("/watch/drain-blocking", "Blocking a drain with peat alone", "No plastic, no steel: how the digger does it.", "film", 9, "Standing Water", "2024-10-30"),
      p("/watch/walk-with-tomas", "A walk with the warden", "Along the dam walk with stops at posts 2, 5 and 7.", "watch", 15, "Standing Water", "2026-02-02"),
      p("/watch/time-lapse-moss", "Moss in a jar, ninety days", "Sphagnum growing in a kitchen window.", "clip", 1, "Standing Water", "2025-08-08"),
    ],
  },
  {
    name: "Moor Sounds",
    host: "moor-sounds",
    pages: [
      p("/curlew-at-dusk", "Curlew at dusk, east basin", "One bird, two calls, and a train far off.", "listen", 1, "Ona Weld", "2025-05-02"),
      p("/dawn-east-basin", "Dawn at the east basin", "Nine minutes from the first lark to the school bus.", "listen", 9, "Ona Weld", "2025-05-03"),
      p("/snipe-drumming", "Snipe drumming over the pools", "Not a voice: the tail feathers hum.", "listen", 2, "Ona Weld", "2025-04-21"),
      p("/under-the-ice", "Under the ice", "A hydrophone in a frozen pool: cracks, bubbles, something alive.", "episode", 5, "Ona Weld", "2026-01-19"),
      p("/frogs-in-march", "Frogs in March", "Four hundred voices in one ditch.", "listen", 3, "Ona Weld", "2026-03-06"),
      p("/wardens-tale", "The warden tells how the drains were dug", "A conversation at the stove with a man whose father dug them.", "episode", 18, "Ona Weld & Tomas Reyl", "2025-02-14"),
      p("/how-to-record", "How to record a bog without treading on it", "Long cables, short visits, dry hands.", "plain", 4, "Ona Weld", "2025-03-01"),
    ],
  },
  {
    name: "Annals of Bog Research",
    host: "bog-journal",
    pages: [
      p("/2024/methane-review", "Methane from rewetted ground: a review", "We compare 61 studies of methane after rewetting. Emissions rise for a median of four years and then fall below those of drained sites when carbon dioxide is counted.", "journal", 24, "Aldous, Mira & Petrik, Jonas & Quayle, Bettany", "2024/05/12"),
      p("/2023/water-table-carbon", "Water table depth explains half of the variance in bog carbon flux", "Twelve years of hourly readings from nine sites.", "journal", 31, "Petrik, Jonas & Quayle, Bettany", "2023/11/02"),
      p("/2022/sphagnum-transplant", "Transplanting Sphagnum: survival after five winters", "Plugs, pellets or whole turves? Turves live, plugs are cheaper.", "journal", 18, "Quayle, Bettany", "2022/03/28"),
      p("/2025/citizen-dipwells", "Can volunteers read dipwells? Agreement between trained and untrained observers", "Two hundred paired readings: untrained observers are within 11 mm of the logger.", "journal", 22, "Reyl, Tomas & Ferrand, Isla", "2025/01/20"),
      p("/2021/peat-fire-depth", "Depth of burn in three peat fires", "Deeper where the drains run.", "journal", 15, "Petrik, Jonas", "2021/08"),
      p("/2020/school-visits", "What do pupils remember of a bog one year later?", "Smell, cold feet, and that it is older than the church.", "library", 16, "Isla Ferrand", "2020-06-15"),
      p("/2019/birds-after-rewetting", "Breeding waders before and after rewetting", "A ten-year count at one site.", "library", 20, "Ona Weld", "2019-12-01"),
      p("/2024/cost-of-dams", "What a peat dam costs, and what it saves", "Materials, hours and avoided emissions of 340 dams.", "journal", 19, "Quayle, Bettany", "2024/09/30"),
      p("/2018/old-mapping", "Mapping drains from old air photographs", "A method and its errors.", "poor", 14),
    ],
  },
  {
    name: "Moss Key",
    host: "mosskey",
    pages: [
      p("/four-by-colour", "Four mosses you can tell by colour", "Red, ochre, bright green, and the one that looks like straw.", "card", 4, "Jonas Petrik", "2025-05-30"),
      p("/sphagnum/capillifolium", "Red bog-moss", "Small, red, in domes like pincushions. Hummocks.", "card", 2, "Moss Key", "2024-04-10"),
      p("/sphagnum/papillosum", "Papillose bog-moss", "Fat, ochre, builds lawns. If in doubt, it is this one.", "card", 2, "Moss Key", "2024-04-10"),
      p("/sphagnum/cuspidatum", "Feathery bog-moss", "Lives in water; out of it, a drowned kitten.", "card", 2, "Moss Key", "2024-04-11"),
      p("/sphagnum/fallax", "Flat-topped bog-moss", "Green, everywhere, likes it a little richer than it should be.", "linked", 2, "Moss Key", "2024-04-12"),
      p("/cotton-grass", "Cotton-grass: one tuft or many?", "The two species and how the head tells.", "plain", 2, "Moss Key", "2024-06-02"),
      p("/sundew", "Sundew, the plant that eats", "Where to kneel without crushing it.", "card", 3, "Moss Key", "2024-07-14"),
      p("/key/start", "Start the key", "Is it in water, on a lawn or on a hummock?", "poor", 1),
    ],
  },
  {
    name: "Heath Library",
    host: "heath-library",
    pages: [
      p("/buch/moorkunde", "Moorkunde für Anfänger – ein Überblick", "Zwölf Kapitel über Moore, Moose und Menschen. Mit Übungen.", "plain", 7, "Käthe Löwenstädt", "1998-05-01", { charset: "windows-1252", lang: "de", body: ["Ein Moor wächst langsam: etwa ein Millimeter im Jahr. Wer einen Meter tief gräbt, gräbt tausend Jahre tief.", "Die Übungen am Ende jedes Kapitels brauchen nur ein Glas, etwas Moos und Geduld."] }),
      p("/ja/deitan", "泥炭地の水位を測る", "観測井の読み方と記録のつけ方。", "plain", 3, "", "2017-04-02", { charset: "shift_jis", lang: "ja", body: ["泥炭地の水位は、湿原の健康を示す最もよい指標である。", "観測井は穴のあいた管で、地面に垂直に立てる。"] }),
      p("/fr/tourbiere", "La tourbière, mode d’emploi", "Petit guide pour une classe : l’eau, la mousse, le temps.", "library", 5, "Élodie Fagnoul", "2023-09-01", { lang: "fr", body: ["Une tourbière est un lieu où l’eau reste et où rien ne se perd.", "On y marche lentement, sur des planches, et l’on écrit au crayon."] }),
      p("/catalogue/drains-1911", "Sphagnum plates, 1911", "Twelve hand-coloured plates, scanned. The names are the old ones.", "library", 3, "A. Thornley", "1911"),
      p("/catalogue/peat-diary", "Diary of a peat cutter, 1887", "A year of weather, turves and one funeral.", "library", 12, "Anonymous", "1887"),
      p("/guides/citing", "How to cite a bog", "Sites, cores, records and recordings: what belongs in a reference.", "card", 5, "Heath Library", "2024-01-08"),
      p("/guides/levels", "Which text for which age", "Reading levels of forty texts on peatlands, from six to sixteen.", "card", 6, "Heath Library", "2024-02-19"),
    ],
  },
];
