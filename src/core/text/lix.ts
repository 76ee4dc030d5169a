/** A text in a script that is written with spaces and letters of this kind has words that are long or short. */
const LETTERS = /\p{Script=Latin}|\p{Script=Cyrillic}|\p{Script=Greek}/u;
const WORD = /[\p{L}\p{M}]+(?:['’-][\p{L}\p{M}]+)*|\p{N}[\p{N}.,]*/gu;
/** The end of a sentence: its mark with what closes quotations after it, and then a blank or nothing. */
const END = /(?<![.!?…])[.!?…]+["'”’»)\]]*(?=\s|$)/g;
/** What has a full stop and ends nothing, in the languages these texts are mostly in: common practice. */
const SHORT =
  /(?:^|[\s(])(?:\p{Lu}|[Mm]rs?|[Dd]r|[Pp]rof|[Ss]t|vs|etc|e\.g|i\.e|cf|ca|approx|[Nn]o|[Ff]ig|[Vv]ol|pp?|bzw|z\.\s?B|usw|vgl|[Nn]r|bl\.a|t\.ex)\.$/u;
/** Under so many words the figure says nothing. */
const LEAST = 100;
/** A line shorter than this that ends without a mark is a heading or a label, and no running text. */
const HEADING = 12;

/** How hard texts are by LIX, from easy on: up to which figure, and in which words. Björnsson’s own classes, folded in pairs. */
export const LEVELS = [
  { most: 30, words: "Easy, as for children" },
  { most: 40, words: "Plain, as stories are" },
  { most: 50, words: "Demanding, as newspapers and handbooks are" },
  { most: 60, words: "Hard, as scholarly texts are" },
] as const;

/**
 * How hard a text is to read: words for each sentence, and of a hundred words those with more than six letters, added
 * (LIX: C. H. Björnsson, Läsbarhet, Stockholm 1968). It goes by letters alone, so it can be had in every language that is
 * written with spaces; between languages with long and with short words it cannot be compared.
 * @param text running words, a line a paragraph
 * @returns a whole number, about 20 for a children's book and 60 for a statute; null for less than 100 words, and for
 * scripts it says nothing about
 */
export function lixOf(text: string): number | null {
  let words = 0;
  let long = 0;
  let sentences = 0;
  for (const line of text.split("\n")) {
    const found = line.match(WORD);
    if (!found) continue;
    const ends = endsIn(line);
    if (!ends.count && found.length < HEADING) continue;
    words += found.length;
    long += found.reduce((sum, word) => sum + (lettersIn(word) > 6 ? 1 : 0), 0);
    // What stands behind the last mark is a sentence of its own.
    sentences += ends.count + (ends.open ? 1 : 0);
  }
  if (words < LEAST || !LETTERS.test(text) || foreign(text)) return null;
  return Math.round(words / sentences + (100 * long) / words);
}

/** How many sentences end in a line, and whether something follows the last of them. */
function endsIn(line: string): { count: number; open: boolean } {
  let count = 0;
  let last = 0;
  for (const { index, 0: mark } of line.matchAll(END)) {
    // A look at the few letters before it, not at the whole line.
    if (mark === "." && SHORT.test(line.slice(Math.max(0, index - 10), index + 1))) continue;
    count++;
    last = index + mark.length;
  }
  return { count, open: /[\p{L}\p{N}]/u.test(line.slice(last)) };
}

const lettersIn = (word: string): number => word.replace(/[^\p{L}]/gu, "").length;

/** Whether most of its beginning is in a script without such words. */
function foreign(text: string): boolean {
  const letters = text.slice(0, 4_000).match(/\p{L}/gu) ?? [];
  return letters.filter((letter) => LETTERS.test(letter)).length < letters.length / 2;
}
