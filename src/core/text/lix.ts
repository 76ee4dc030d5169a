import { hasSuchWords, lettersIn, sentencesOf } from "./running-text";

/** Under so many words the figure says nothing. */
export const LEAST_WORDS = 100;

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
  for (const sentence of sentencesOf(text)) {
    words += sentence.words.length;
    for (const { word } of sentence.words) if (lettersIn(word) > 6) long++;
    sentences++;
  }
  if (words < LEAST_WORDS || !hasSuchWords(text)) return null;
  return Math.round(lix(words, sentences, long));
}

/** The formula itself. @param long words of more than six letters */
export const lix = (words: number, sentences: number, long: number): number =>
  words / sentences + (100 * long) / words;
