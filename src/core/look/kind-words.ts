import type { Kind } from "../page/facts";

/** The kinds of things in words. */
export const KIND_WORDS: Record<Kind, string> = {
  page: "Page",
  video: "Video",
  document: "Document",
  picture: "Picture",
  sound: "Sound",
  note: "Note",
};

const SEVERAL: Record<Kind, string> = {
  page: "pages",
  video: "videos",
  document: "documents",
  picture: "pictures",
  sound: "sounds",
  note: "notes",
};

/** So many of a kind: "1 page", "12 videos". */
export const countOfKind = (kind: Kind, count: number): string =>
  `${count} ${count === 1 ? KIND_WORDS[kind].toLowerCase() : SEVERAL[kind]}`;
