/** What became of a suggestion, in words for whoever made it. */
export const STATE_WORDS = {
  waiting: "Waits for a look",
  accepted: "It is in",
  declined: "Not taken",
} as const;

/** What a suggestion is called where there is no title. */
export const titleOf = (one: {
  kind: "address" | "text" | "file" | "words" | "link";
  title: string;
  address: string;
  text: string;
  fileName: string;
}): string => {
  if (one.title) return one.title;
  if (one.kind === "file") return one.fileName;
  if (one.kind === "text") return one.text;
  return read(one.address.replace(/^https?:\/\/(www\.)?/, "").replace(/\/$/, ""));
};

/** An address with its letters as they are read; one that is encoded in another way stays as it is. */
function read(address: string): string {
  try {
    return decodeURI(address);
  } catch {
    return address;
  }
}
