import { LONGEST_TERM, nextRun, runAt } from "./runs";
import { stem, stemmerOf } from "./stem";

/** A word of a text as the index knows it, and where it stands. */
export type Token = {
  /** Folded, and stemmed by the language of the text. */
  term: string;
  /** Folded only. */
  word: string;
  start: number;
  end: number;
  /** A part of a word with a sign in it (covid and 19 of covid-19): found, but no word of its own for phrases. */
  part: boolean;
};

const LETTER = "[\\p{L}\\p{N}][\\p{L}\\p{N}\\p{M}\\p{Cf}]*";
/** A sign inside a word; commas and semicolons only between digits, the double quote of Hebrew acronyms (WB7b, WB7c). */
const SIGN =
  "(?:[.'’\\-‐‑_·:]|(?<=\\p{N}[\\p{M}\\p{Cf}]*)[,;](?=[\\p{M}\\p{Cf}]*\\p{N})|(?<=\\p{Script=Hebrew}[\\p{M}\\p{Cf}]*)[\"״](?=\\p{Script=Hebrew}))[\\p{M}\\p{Cf}]*";
/**
 * A word: letters, digits and marks; inside it also single apostrophes, points, hyphens and underscores (UAX #29
 * keeps the first two inside words, WB6 to WB12, and leaves the hyphen to the application); at its end the signs of
 * c++, c# and f#.
 */
const WORD = new RegExp(`${LETTER}(?:${SIGN}${LETTER})*(?:\\+\\+|#(?!${LETTER}))?`, "gu");
const INNER = /[.'’\-‐‑_·:,;"״]/u;
/** Scripts written without blanks between the words (and Hangul, whose words are long): found by pairs of letters. */
const UNSPACED =
  /[\p{Script=Han}\p{scx=Hiragana}\p{scx=Katakana}\p{Script=Hangul}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}\p{Script=Myanmar}]+/gu;
const HAS_UNSPACED = new RegExp(UNSPACED.source, "u");

/** Letters that do not come apart into a plain one and a mark. */
const LIGATURES: Record<string, string> = {
  ß: "ss",
  æ: "ae",
  œ: "oe",
  ø: "o",
  đ: "d",
  ð: "d",
  ł: "l",
  þ: "th",
  ı: "i",
};

/**
 * Words that differ by case, accents, Hebrew or Arabic points or the width of letters are one word.
 * @param word one word, in any letters
 * @example
 * fold("Ünderground"); // "underground"
 */
export function fold(word: string): string {
  // Most words are plain; they need none of this.
  if (/^[a-z0-9]*$/.test(word)) return word;
  const lower = word.toLowerCase();
  if (/^[\x20-\x7e]*$/.test(lower)) return lower;
  return lower
    .normalize("NFKD")
    .replace(/[\u0300-\u036f\u0591-\u05c7\u064b-\u065f\u0670\p{Cf}]/gu, "")
    .replace(/[ßæœøđðłþı]/g, (letter) => LIGATURES[letter]!)
    .replace(/’/g, "'")
    .replace(/[‐‑]/g, "-")
    .normalize("NFC");
}

/** No longer than a term may be, and not in the middle of a letter that takes two places. */
const cut = (word: string): string =>
  word.length <= LONGEST_TERM ? word : word.slice(0, LONGEST_TERM).replace(/[\ud800-\udbff]$/, "");

/**
 * The words of a text, in order. A word with a sign in it stands whole and in its parts; text in a script without
 * blanks as overlapping pairs of letters.
 * @param language BCP 47, of the text; decides how words are stemmed
 * @param only whether a folded word is worth stemming; the others are left out
 */
export function tokensOf(text: string, language: string | null, only?: (word: string) => boolean): Token[] {
  const tokens: Token[] = [];
  const push = (raw: string, start: number, part: boolean, plain = false) => {
    const word = cut(fold(raw));
    if (!word || (only && !only(word))) return;
    const term = plain || /[\d+#.\-_':·,;]/.test(word) ? word : cut(fold(stem(raw, language)));
    tokens.push({ term: term || word, word, start, end: start + raw.length, part });
  };
  const stemOf = stemmerOf(language);
  for (let at = nextRun(text, 0); at < text.length; at = nextRun(text, at)) {
    const { start, end, from, to, plain } = runAt(text, at);
    at = end;
    if (!plain) addWords(text.slice(start, end), start, push);
    else if (to > from) {
      const word = text.slice(from, to).toLowerCase();
      if (only && !only(word)) continue;
      tokens.push({ term: fold(stemOf(word)) || word, word, start: from, end: to, part: false });
    }
  }
  return tokens;
}

type Push = (raw: string, start: number, part: boolean, plain?: boolean) => void;

/** The words of a piece of text, with their parts. */
function addWords(text: string, from: number, push: Push): void {
  for (const match of text.matchAll(WORD)) {
    const [raw] = match;
    if (HAS_UNSPACED.test(raw)) {
      addMixed(raw, from + match.index, push);
      continue;
    }
    push(raw, from + match.index, false);
    if (!INNER.test(raw)) continue;
    let at = from + match.index;
    for (const piece of raw.split(INNER)) {
      push(piece, at, true);
      at += piece.length + 1;
    }
  }
}

/** A run in which letters of an unspaced script stand, maybe beside others. */
function addMixed(raw: string, from: number, push: Push): void {
  let done = 0;
  const rest = (to: number) => {
    for (const match of raw.slice(done, to).matchAll(WORD)) push(match[0], from + done + match.index, false);
    done = to;
  };
  for (const match of raw.matchAll(UNSPACED)) {
    rest(match.index);
    const letters = [...match[0]];
    let at = from + match.index;
    if (letters.length === 1) push(letters[0]!, at, false, true);
    for (let i = 0; i + 1 < letters.length; i++) {
      push(letters[i]! + letters[i + 1]!, at, false, true);
      at += letters[i]!.length;
    }
    done = match.index + match[0].length;
  }
  rest(raw.length);
}
