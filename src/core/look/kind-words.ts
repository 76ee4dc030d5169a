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
