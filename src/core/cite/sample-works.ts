import type { Work } from "./csl-item";

const work = (id: string, more: Partial<Work>): Work => ({
  ...{ id, kind: "page", itemType: "webpage", title: "", authors: [], published: null, language: null },
  ...{ address: "", siteName: "", tags: [], context: "", details: {} },
  ...more,
});

/** A few made-up works of the kinds most lists have, to try a style with, and to show how it looks. */
export const SAMPLE_WORKS: readonly Work[] = [
  work("book", {
    ...{ itemType: "book", title: "The peat and the water", authors: ["Weld, Ona"], published: "2019" },
    details: { publisher: "Fen Press", "publisher-place": "Tartu" },
  }),
  work("page", {
    ...{ title: "A year at the east dam", authors: ["Tomas Lind", "Ona Weld"], published: "2025-10-02" },
    ...{ siteName: "Standing Water", address: "https://standing-water.example/dam" },
  }),
  work("article", {
    ...{ itemType: "article-journal", title: "Dipwells in a dry summer", authors: ["Iru, Mare"] },
    ...{ published: "2021-06", siteName: "Notes on Mires" },
    details: { volume: "12", issue: "3", page: "101–118" },
  }),
];
