/** The header by which an answer tells the front how long it is: Next leaves out what it says itself (`content-length`). */
export const LENGTH = "x-hobbin-length";

/** The headers of an answer of so many bytes. */
export const ofLength = (bytes: number): Record<string, string> => ({
  "content-length": String(bytes),
  [LENGTH]: String(bytes),
});
