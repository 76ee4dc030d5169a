/** A text in a script that is written with spaces and letters of this kind has words that are long or short. */
const LETTERS = /\p{Script=Latin}|\p{Script=Cyrillic}|\p{Script=Greek}/u;
const WORD = /[\p{L}\p{M}]+(?:['’-][\p{L}\p{M}]+)*|\p{N}[\p{N}.,]*/gu;
/** The end of a sentence: its mark with what closes quotations after it, and then a blank or nothing. */
const END = /(?<![.!?…])[.!?…]+["'”’»)\]]*(?=\s|$)/g;
/** What has a full stop and ends nothing, in the languages these texts are mostly in: common practice. */
const SHORT =
  /(?:^|[\s(])(?:\p{Lu}|[Mm]rs?|[Dd]r|[Pp]rof|[Ss]t|vs|etc|e\.g|i\.e|cf|ca|approx|[Nn]o|[Ff]ig|[Vv]ol|pp?|bzw|z\.\s?B|usw|vgl|[Nn]r|bl\.a|t\.ex)\.$/u;
/** A line shorter than this that ends without a mark is a heading or a label, and no running text. */
const HEADING = 12;

/** A word, and where it begins in the text. */
type Word = { at: number; word: string };
/** A sentence of running text: from where to where, and its words. */
export type Sentence = { start: number; end: number; words: Word[] };

/**
 * The sentences of running text: headings and labels are none, and neither an abbreviation nor a number ends one.
 * @param text a line a paragraph
 */
export function* sentencesOf(text: string): Generator<Sentence> {
  let start = 0;
  for (const line of text.split("\n")) {
    yield* sentencesOfLine(line, start);
    start += line.length + 1;
  }
}

function* sentencesOfLine(line: string, start: number): Generator<Sentence> {
  const words = [...line.matchAll(WORD)].map(({ index, 0: word }) => ({ at: start + index, word }));
  if (!words.length) return;
  const ends: number[] = [];
  for (const { index, 0: mark } of line.matchAll(END)) {
    // A look at the few letters before it, not at the whole line.
    if (mark === "." && SHORT.test(line.slice(Math.max(0, index - 10), index + 1))) continue;
    ends.push(index + mark.length);
  }
  if (!ends.length && words.length < HEADING) return;
  // What stands behind the last mark is a sentence of its own, if it is anything.
  const last = ends.at(-1) ?? 0;
  if (/[\p{L}\p{N}]/u.test(line.slice(last))) ends.push(line.length);
  let [from, next] = [0, 0];
  for (const to of ends) {
    const mine: Word[] = [];
    while (next < words.length && words[next]!.at < start + to) mine.push(words[next++]!);
    yield { start: mine[0]?.at ?? start + from, end: start + to, words: mine };
    from = to;
  }
}

/** How many letters a word has, without hyphens and what stands on letters. */
export const lettersIn = (word: string): number => word.replace(/[^\p{L}]/gu, "").length;

/** Whether a text is in a script with words of many and of few letters, by most of its beginning. */
export function hasSuchWords(text: string): boolean {
  if (!LETTERS.test(text)) return false;
  const letters = text.slice(0, 4_000).match(/\p{L}/gu) ?? [];
  return letters.filter((letter) => LETTERS.test(letter)).length >= letters.length / 2;
}
