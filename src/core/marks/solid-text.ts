import type { Quote } from "./selectors";

const BLANK = /[\s\u00ad]/;
const BLANKS = /[\s\u00ad]+/g;
/** So many letters before and behind words are looked at; and so many words stand by themselves, without them. */
const AROUND = 12;
const ALONE = 30;
/** Words that stand there more often than this say nothing of where they are meant. */
const MOST = 200;

const solid = (words: string): string => words.replace(BLANKS, "");

/**
 * A text without its blanks and the hyphens that are not seen: two readers of one file agree on its letters, and not on what
 * is between them.
 */
export class SolidText {
  readonly #letters: string;
  /** Where each letter stands in the text. */
  readonly #places: Uint32Array;

  constructor(text: string) {
    const places = new Uint32Array(text.length);
    let count = 0;
    for (let i = 0; i < text.length; i++) if (!BLANK.test(text[i]!)) places[count++] = i;
    this.#letters = solid(text);
    this.#places = places;
  }

  /**
   * Where words stand: by what is before or behind them, of several places where both fit. A few words without either may be
   * others that are alike.
   * @param alone so many letters stand by themselves, where nothing before or behind them fits
   */
  find({ exact, prefix, suffix }: Quote, alone = ALONE): { start: number; end: number } | null {
    const wanted = solid(exact);
    if (!wanted) return null;
    const [before, after] = [solid(prefix).slice(-AROUND), solid(suffix).slice(0, AROUND)];
    let best: { at: number; fits: number } | null = null;
    let at = this.#letters.indexOf(wanted);
    for (let seen = 0; at >= 0 && seen < MOST; seen++) {
      const fits =
        Number(before !== "" && this.#letters.startsWith(before, at - before.length)) +
        Number(after !== "" && this.#letters.startsWith(after, at + wanted.length));
      if (!best || fits > best.fits) best = { at, fits };
      at = this.#letters.indexOf(wanted, at + 1);
    }
    if (!best || (best.fits === 0 && wanted.length < alone)) return null;
    return { start: this.#places[best.at]!, end: this.#places[best.at + wanted.length - 1]! + 1 };
  }
}
