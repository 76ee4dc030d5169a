import { p, type Site } from "../page";

export const heathLibrary: Site = {
  name: "Heath Library",
  host: "heath-library",
  pages: [
    p(
      "/buch/moorkunde",
      "Moorkunde für Anfänger – ein Überblick",
      "Zwölf Kapitel über Moore, Moose und Menschen. Mit Übungen.",
      "plain",
      7,
      "Käthe Löwenstädt",
      "1998-05-01",
      {
        charset: "windows-1252",
        lang: "de",
        body: [
          "Ein Moor wächst langsam: etwa ein Millimeter im Jahr. Wer einen Meter tief gräbt, gräbt tausend Jahre tief.",
          "Die Übungen am Ende jedes Kapitels brauchen nur ein Glas, etwas Moos und Geduld.",
        ],
      },
    ),
    p("/ja/deitan", "泥炭地の水位を測る", "観測井の読み方と記録のつけ方。", "plain", 3, "", "2017-04-02", {
      charset: "shift_jis",
      lang: "ja",
      body: [
        "泥炭地の水位は、湿原の健康を示す最もよい指標である。",
        "観測井は穴のあいた管で、地面に垂直に立てる。",
      ],
    }),
    p(
      "/fr/tourbiere",
      "La tourbière, mode d’emploi",
      "Petit guide pour une classe : l’eau, la mousse, le temps.",
      "library",
      5,
      "Élodie Fagnoul",
      "2023-09-01",
      {
        lang: "fr",
        body: [
          "Une tourbière est un lieu où l’eau reste et où rien ne se perd.",
          "On y marche lentement, sur des planches, et l’on écrit au crayon.",
        ],
      },
    ),
    p(
      "/catalogue/drains-1911",
      "Sphagnum plates, 1911",
      "Twelve hand-coloured plates, scanned. The names are the old ones.",
      "library",
      3,
      "A. Thornley",
      "1911",
    ),
    p(
      "/catalogue/peat-diary",
      "Diary of a peat cutter, 1887",
      "A year of weather, turves and one funeral.",
      "library",
      12,
      "Anonymous",
      "1887",
    ),
    p(
      "/guides/citing",
      "How to cite a bog",
      "Sites, cores, records and recordings: what belongs in a reference.",
      "card",
      5,
      "Heath Library",
      "2024-01-08",
    ),
    p(
      "/guides/levels",
      "Which text for which age",
      "Reading levels of forty texts on peatlands, from six to sixteen.",
      "card",
      6,
      "Heath Library",
      "2024-02-19",
    ),
  ],
};
