import type { Work } from "@/core/cite/csl-item";

const work = (id: string, more: Partial<Work>): Work => ({
  ...{ id, kind: "page", itemType: null, title: "", authors: [], published: null, language: "en" },
  ...{ address: "", siteName: "", tags: [], context: "", details: {} },
  ...more,
});

/** Made-up works of every kind reference styles tell apart, with the names and dates that are hard to set. */
export const WORKS: readonly Work[] = [
  work("book", {
    ...{
      itemType: "book",
      title: "The peat and the water",
      authors: ["Weld, Ona", "Iru, Mare"],
      published: "2019",
    },
    details: { publisher: "Fen Press", "publisher-place": "Tartu", edition: "2" },
  }),
  work("chapter", {
    ...{ itemType: "chapter", title: "Dams of wood", authors: ["Tomas Lind"], published: "2021" },
    details: {
      ...{ "container-title": "Handbook of Rewetting", editor: "Weld, Ona; Iru, Mare", page: "33–48" },
      ...{ publisher: "Fen Press", "publisher-place": "Tartu" },
    },
  }),
  work("article", {
    ...{ itemType: "article-journal", title: "Dipwells in a dry summer", published: "2020-07" },
    authors: ["Mare Iru", "Tomas Lind", "Ona Weld", "Jonas Petrik"],
    details: {
      ...{ "container-title": "Notes on Mires", volume: "12", issue: "3", page: "101–118" },
      DOI: "10.5555/mires.2020.12",
    },
  }),
  work("page", {
    ...{ itemType: "webpage", title: "A year at the east dam", authors: ["Lind, Tomas"] },
    ...{ published: "2025-10-02", siteName: "Standing Water", address: "https://standing-water.example/dam" },
    details: { accessed: "2026-03-09" },
  }),
  work("undated", {
    ...{ itemType: "webpage", title: "Moss by the roadside", siteName: "Peat Notebook" },
    address: "https://peat-notebook.example/moss",
    details: { accessed: "2026-03-09" },
  }),
  work("institution", {
    ...{ itemType: "report", title: "Water levels of the district", authors: ["Lantern Moss Field Station"] },
    ...{
      published: "2024-05",
      siteName: "Lantern Moss Field Station",
      address: "https://moss.example/levels.pdf",
    },
    details: { number: "7", genre: "Report" },
  }),
  work("film", {
    ...{
      kind: "video",
      title: "A walk with the warden",
      authors: ["Standing Water"],
      siteName: "Standing Water",
    },
    ...{ published: "2026-02-02", address: "https://standing-water.example/watch" },
  }),
  work("thesis", {
    ...{ itemType: "thesis", title: "Sphagnum after fire", authors: ["Vaalu, Ines"], published: "2023" },
    details: { publisher: "University of the Moors", genre: "Doctoral dissertation" },
  }),
  work("newspaper", {
    ...{ itemType: "article-newspaper", title: "The bog is back", authors: ["Quayle, Bettany"] },
    ...{ published: "2025-06-14", siteName: "The Moor Courier", address: "https://courier.example/bog" },
  }),
  work("artwork", {
    ...{ itemType: "graphic", title: "Cotton grass, evening", authors: ["Okeri, Ama"], published: "1987" },
    details: { medium: "Oil on board", archive: "Museum of the Fens", archive_location: "Ely" },
  }),
  work("particle", {
    ...{ itemType: "book", title: "Reading the moor", authors: ["van der Veen, Joost"], published: "2011" },
    details: { publisher: "Turf & Son", "publisher-place": "Assen" },
  }),
  work("particle-first", {
    ...{ itemType: "book", title: "The long ditch", authors: ["Ludwig von Moor"], published: "2009" },
    details: { publisher: "Turf & Son", "publisher-place": "Assen" },
  }),
  work("suffix", {
    ...{ itemType: "book", title: "Turf and time", authors: ["Reyl, Tomas, Jr."], published: "2015" },
    details: { publisher: "Turf & Son", "publisher-place": "Assen" },
  }),
  work("cyrillic", {
    ...{
      itemType: "book",
      title: "Торф и вода",
      authors: ["Иванова, Анна"],
      published: "2018",
      language: "ru",
    },
    details: { publisher: "Болото", "publisher-place": "Псков" },
  }),
  work("japanese", {
    ...{ itemType: "book", title: "湿原の四季", authors: ["山田太郎"], published: "2017", language: "ja" },
    details: { publisher: "湿原社" },
  }),
];

/** Styles six handbooks stand for. */
export const HANDBOOKS = [
  "apa",
  "modern-language-association",
  "chicago-author-date",
  "ieee",
  "vancouver",
  "harvard-cite-them-right",
] as const;
