/**
 * A passage, as a TextQuoteSelector of the Web Annotation Data Model has it
 * (https://www.w3.org/TR/annotation-model/#text-quote-selector): its words, and what stands before and behind them.
 */
export type Quote = { exact: string; prefix: string; suffix: string };

/** So many characters before and after a passage are kept with it. */
export const AROUND = 32;
/** The longest passage that is one mark, in characters. */
const LONGEST_QUOTE = 16_000;

/** Made when it is needed first: a browser reads its tables of letters for it, 25 to 70 ms. */
let segmenter: Intl.Segmenter | undefined;
const graphemesOf = (text: string): Intl.Segments =>
  (segmenter ??= new Intl.Segmenter("en", { granularity: "grapheme" })).segment(text);
/** What one sees as one character is seldom longer than this; a family of five is 11. */
const LONGEST_GRAPHEME = 40;
/** The first combining mark. */
const COMBINING = 0x300;

/** The place of the beginning of whatever one sees as one character around `at`. */
function beginningOf(text: string, at: number): number {
  if (at <= 0 || at >= text.length) return Math.min(Math.max(at, 0), text.length);
  // Below the first combining mark every letter is one by itself, but for a line's two ends (UAX #29, GB3 to GB5 and GB999).
  if (text.charCodeAt(at) < COMBINING && text.charCodeAt(at - 1) < COMBINING)
    return text[at] === "\n" && text[at - 1] === "\r" ? at - 1 : at;
  const from = Math.max(0, at - LONGEST_GRAPHEME);
  const around = graphemesOf(text.slice(from, at + LONGEST_GRAPHEME)).containing(at - from);
  return around ? from + around.index : at;
}

/**
 * A selection as it is marked: no blanks at its ends, and no half of what is seen as one character (an accent, a flag).
 * @returns null when nothing is left of it
 */
export function snapped(text: string, from: number, to: number): { start: number; end: number } | null {
  let [start, end] = [
    Math.max(0, Math.min(from, to)),
    Math.min(text.length, Math.max(from, to), Math.min(from, to) + LONGEST_QUOTE),
  ];
  while (start < end && /\s/.test(text[start]!)) start++;
  while (end > start && /\s/.test(text[end - 1]!)) end--;
  if (start >= end) return null;
  start = beginningOf(text, start);
  const last = beginningOf(text, end);
  if (last < end) {
    const whole = graphemesOf(text.slice(last, last + LONGEST_GRAPHEME)).containing(0);
    end = last + (whole?.segment.length ?? end - last);
  }
  return { start, end };
}

/** The passage of a text between two places, with what is around it. */
export function quoteAt(text: string, start: number, end: number): Quote {
  return {
    exact: text.slice(start, end),
    prefix: text.slice(beginningOf(text, start - AROUND), start),
    suffix: text.slice(end, Math.min(text.length, beginningOf(text, end + AROUND))),
  };
}
