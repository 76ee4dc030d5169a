/** Where a passage stands in its page: the W3C TextQuoteSelector, https://www.w3.org/TR/annotation-model/#text-quote-selector */
export type TextQuote = { type: "TextQuoteSelector"; exact: string; prefix: string; suffix: string };

const AROUND = 64;
const MOST = 16_000;
/** In JSON Schema. */
export const SELECTOR_SCHEMA = {
  type: "object",
  description: "Where the passage stands in its page: a W3C TextQuoteSelector.",
  properties: {
    type: { const: "TextQuoteSelector" },
    exact: { type: "string", maxLength: MOST },
    prefix: { type: "string", maxLength: AROUND },
    suffix: { type: "string", maxLength: AROUND },
  },
};
const text = (value: unknown, most: number) => (typeof value === "string" ? value.slice(0, most) : "");

/**
 * A selector as it came from outside, with what was quoted as its exact text.
 * @param raw whatever the request held
 * @param quoted the words that were marked
 */
export function asQuotation(raw: unknown, quoted: string): TextQuote {
  const said = (raw ?? {}) as Record<string, unknown>;
  return {
    type: "TextQuoteSelector",
    exact: text(said.exact, MOST) || quoted.slice(0, MOST),
    prefix: text(said.prefix, AROUND),
    suffix: text(said.suffix, AROUND),
  };
}

/**
 * The address that opens a page at a passage, as browsers understand it (Text Fragments,
 * https://wicg.github.io/scroll-to-text-fragment/): the whole text when short, its first and last words when long.
 * @param address of the page; a fragment of its own falls away
 * @param quote what is looked for there
 */
export function passageAddress(address: string, { exact }: Pick<TextQuote, "exact">): string {
  const words = exact.replace(/\s+/g, " ").trim();
  const bare = address.split("#")[0]!;
  if (!words) return bare;
  const parts =
    words.length <= 120
      ? [words]
      : [words.split(" ").slice(0, 6).join(" "), words.split(" ").slice(-6).join(" ")];
  // A dash and a comma have a meaning of their own in a text directive.
  const encode = (part: string) => encodeURIComponent(part).replace(/-/g, "%2D");
  return `${bare}#:~:text=${parts.map(encode).join(",")}`;
}
