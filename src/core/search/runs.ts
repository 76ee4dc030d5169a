/*
 * Texts are gone through by the runs between blanks: most are one plain word, which needs none of what the words of all
 * scripts need.
 */

/** The longest term that is kept, in characters; longer ones are cut. */
export const LONGEST_TERM = 40;

/** Up to here in ASCII are the blanks; no word goes across one. */
const BLANK = 0x20;

const isLetter = (code: number) => (code >= 0x61 && code <= 0x7a) || (code >= 0x41 && code <= 0x5a);
const isDigit = (code: number) => code >= 0x30 && code <= 0x39;

/**
 * The run between blanks around a place. It is plain when there is one word of ASCII letters in it, from `from` to `to`,
 * and nothing else but signs that belong to no word: then that word is all that `tokensOf` finds.
 * @param at a place in the run, no blank
 */
export function runAt(text: string, at: number): Readonly<typeof run> {
  let start = at;
  while (start > 0 && text.charCodeAt(start - 1) > BLANK) start--;
  let from = -1;
  let to = -1;
  let plain = true;
  let end = start;
  for (; end < text.length; end++) {
    const code = text.charCodeAt(end);
    if (code <= BLANK) break;
    if (isLetter(code)) {
      if (from < 0) from = end;
      else if (to !== end) plain = false;
      to = end + 1;
    } else if (isDigit(code) || code > 0x7f || (end === to && (code === PLUS || code === HASH)))
      plain = false;
  }
  run.start = start;
  run.end = end;
  run.from = from;
  run.to = to;
  run.plain = plain && to - from <= LONGEST_TERM;
  return run;
}
/** One for all, because there are thousands in a text; it is used up before the next one is looked at. */
const run = { start: 0, end: 0, from: 0, to: 0, plain: false };
const PLUS = 0x2b;
const HASH = 0x23;

/**
 * Where the next run begins; the length of the text when there is none.
 * @param from where to look from, an index into the text
 */
export function nextRun(text: string, from: number): number {
  let at = from;
  while (at < text.length && text.charCodeAt(at) <= BLANK) at++;
  return at;
}
