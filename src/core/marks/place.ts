import search from "approx-string-match";
import { fold, type Folded, foldedPlace, unfolded } from "./folded";
import { GramIndex } from "./gram-index";
import { likeness } from "./likeness";
import { AROUND, type Quote } from "./selectors";

/** Where a passage stands in a text, and how sure that is, from 0 to 1. */
export type Place = { start: number; end: number; sure: number };

/** From this on what was found is shown as found; below it looks unsure. */
export const SURE = 0.8;

/** A passage shorter than this is only itself with what is around it: "of the bog" stands anywhere. */
const LONG = 60;
/** One of two or three words. */
const TINY = 24;
/** One side of what is around a passage is the same from here on. */
const ALIKE = 0.5;
/** So many equal passages are compared; of more, those nearest to where it stood. */
const MOST_EQUAL = 500;
/** In so many places a changed passage is looked for. */
const LIKELY = 8;
/** The most that may have changed, as a share of its characters. */
const MOST_CHANGED = 0.45;
/** So much of what stood next to a passage says where it begins or ends. */
const NEIGHBOUR = 8;
/** A passage longer than this is looked for by its beginning and its end. */
const WHOLE = 1_000;

type Found = { start: number; end: number; quality: number; before: number; after: number };

/**
 * Finds passages of another version of a text: as they were, else nearly so within a bound, else between what stood
 * around them. Each place says how sure it is; what cannot be told from chance is not placed.
 * @example
 * const text = new MarkedText("Sphagnum holds twenty times its weight in water.");
 * text.place({ exact: "twenty times", prefix: "Sphagnum holds ", suffix: " its weight" });
 * // { start: 15, end: 27, sure: 1 }
 */
export class MarkedText {
  readonly #folded: Folded;
  #grams: GramIndex | null = null;

  constructor(text: string) {
    this.#folded = fold(text);
  }

  /**
   * @param quote the passage with what was around it
   * @param near where it stood, in characters; of equal ones the nearest is meant
   * @returns null when its place is lost
   */
  place(quote: Quote, near?: number): Place | null {
    const exact = fold(quote.exact).text.trim();
    if (!exact) return null;
    const asked = {
      exact,
      before: fold(quote.prefix).text.trim().slice(-AROUND),
      after: fold(quote.suffix).text.trim().slice(0, AROUND),
    };
    const found = this.#equal(asked, near) ?? this.#changed(asked) ?? this.#between(asked);
    if (!found) return null;
    return {
      ...unfolded(this.#folded, found.start, found.end),
      sure: Math.round(Math.min(1, found.sure) * 100) / 100,
    };
  }

  #around(start: number, end: number, asked: Asked): { before: number; after: number } {
    const { text } = this.#folded;
    return {
      before: likeness(
        asked.before,
        text
          .slice(Math.max(0, start - asked.before.length - 1), start)
          .trimEnd()
          .slice(-asked.before.length)
          .trimStart(),
      ),
      after: likeness(
        asked.after,
        text
          .slice(end, end + asked.after.length + 1)
          .trimStart()
          .slice(0, asked.after.length)
          .trimEnd(),
      ),
    };
  }

  #equal(asked: Asked, near: number | undefined): Place | null {
    const { text } = this.#folded;
    const { exact } = asked;
    const places: number[] = [];
    const from = near === undefined ? 0 : foldedPlace(this.#folded, near);
    for (let at = text.indexOf(exact); at >= 0; at = text.indexOf(exact, at + 1)) {
      places.push(at);
      if (places.length > MOST_EQUAL * 4) break;
    }
    if (!places.length) return null;
    if (places.length > MOST_EQUAL) places.sort((a, b) => Math.abs(a - from) - Math.abs(b - from));
    const scored = places
      .slice(0, MOST_EQUAL)
      .map((start) => ({ start, ...this.#around(start, start + exact.length, asked) }));
    const worth = ({ before, after }: { before: number; after: number }) => before + after;
    scored.sort(
      (a, b) =>
        worth(b) - worth(a) || Math.abs(a.start - from) - Math.abs(b.start - from) || a.start - b.start,
    );
    const [best, second] = scored;
    const { start, before, after } = best!;
    const isAlike = Math.max(before, after) >= ALIKE;
    if (saidIn(exact) < LONG && !isAlike) return null;
    // Another one that fits as well: it may be either.
    const isDoubtful = second && worth(second) >= worth(best!) - 0.2 && worth(best!) < 1.9;
    const sure = isDoubtful ? 0.7 : isAlike ? 0.8 + 0.1 * worth(best!) : 0.8;
    return { start, end: start + exact.length, sure };
  }

  #changed(asked: Asked): Place | null {
    const { text } = this.#folded;
    const { exact, before } = asked;
    this.#grams ??= new GramIndex(text);
    let best: Found | null = null;
    for (const diagonal of this.#grams.likely(before + exact + asked.after, LIKELY)) {
      const slack = 2 * AROUND + Math.ceil(exact.length * 0.3);
      const from = Math.max(0, diagonal + before.length - slack);
      const to = Math.min(text.length, diagonal + before.length + exact.length + slack + AROUND);
      for (const { start, end, errors } of nearIn(text.slice(from, to), exact)) {
        const [first, last] = this.#wholeWords(...this.#betweenNeighbours(from + start, from + end, asked));
        const found = {
          ...{ start: first, end: last, quality: 1 - errors / exact.length },
          ...this.#around(first, last, asked),
        };
        if (isMeant(found, exact) && (!best || worthOf(found) > worthOf(best))) best = found;
      }
    }
    return best && { start: best.start, end: best.end, sure: worthOf(best) };
  }

  /** What was reworded altogether stands between what stood around it. */
  #between(asked: Asked): Place | null {
    const { text } = this.#folded;
    const { exact, before, after } = asked;
    if (before.length < AROUND / 2 || after.length < AROUND / 2) return null;
    const start = text.indexOf(before);
    if (start < 0 || text.indexOf(before, start + 1) >= 0) return null;
    const from = start + before.length;
    const end = text.indexOf(after, from);
    if (end < 0 || end - from > exact.length * 2.5 || end - from < exact.length * 0.4) return null;
    const alike = likeness(exact, text.slice(from, end));
    if (alike < 0.4) return null;
    const [blankBefore, blankAfter] = [text[from] === " " ? 1 : 0, text[end - 1] === " " ? 1 : 0];
    return { start: from + blankBefore, end: end - blankAfter, sure: 0.3 + alike / 2 };
  }

  /** Where what stood right before and right behind it still does, near by, it begins and ends there. */
  #betweenNeighbours(start: number, end: number, { before, after }: Asked): [number, number] {
    const { text } = this.#folded;
    const [tail, head] = [before.slice(-NEIGHBOUR), after.slice(0, NEIGHBOUR)];
    const [from, to] = [Math.max(0, start - 2 * NEIGHBOUR), Math.max(0, end - NEIGHBOUR)];
    const first = tail.length < NEIGHBOUR ? -1 : text.slice(from, start + 2 * NEIGHBOUR).lastIndexOf(tail);
    const last = head.length < NEIGHBOUR ? -1 : text.slice(to, end + 2 * NEIGHBOUR).indexOf(head);
    // The blank between falls away below.
    const begins = first < 0 ? start : from + first + NEIGHBOUR;
    const ends = last < 0 ? end : to + last;
    return begins < ends ? [begins, ends] : [start, end];
  }

  /** Ends that fell into a word are moved to its end, where that is near. */
  #wholeWords(start: number, end: number): [number, number] {
    const { text } = this.#folded;
    const isLetter = (at: number) => /[\p{L}\p{N}]/u.test(text[at] ?? "");
    let [first, last] = [start, end];
    for (let i = 0; i < 12 && first > 0 && isLetter(first) && isLetter(first - 1); i++) first--;
    for (let i = 0; i < 12 && last < text.length && isLetter(last - 1) && isLetter(last); i++) last++;
    // Writing without blanks between words has no such ends.
    if (isLetter(first) && isLetter(first - 1)) first = start;
    if (isLetter(last - 1) && isLetter(last)) last = end;
    while (text[first] === " ") first++;
    while (last > first + 1 && text[last - 1] === " ") last--;
    return [first, last];
  }
}

type Asked = { exact: string; before: string; after: string };

const worthOf = ({ quality, before, after }: Found): number =>
  0.6 * quality + 0.2 * before + 0.2 * after - (Math.max(before, after) < ALIKE ? 0.1 : 0);

/** How long a passage is, where a character of Chinese, Japanese or Korean says as much as three others. */
const saidIn = (text: string): number =>
  text.length + 2 * (text.match(/[\u3040-\u30ff\u3400-\u9fff\uac00-\ud7af]/g)?.length ?? 0);

/** Whether a changed passage is the one that was meant. */
function isMeant({ quality, before, after }: Found, exact: string): boolean {
  const [less, more] = [Math.min(before, after), Math.max(before, after)];
  const length = saidIn(exact);
  if (length < TINY) return quality >= 0.6 && less >= ALIKE && more >= 0.6;
  if (length < LONG) return quality + more / 4 >= 0.75 && more >= (quality >= 0.85 ? 0.35 : ALIKE);
  return quality >= 0.75 || (quality >= 1 - MOST_CHANGED && more >= ALIKE);
}

/** Where in a small piece of text something stands with the fewest changes. */
function nearIn(piece: string, exact: string): { start: number; end: number; errors: number }[] {
  if (exact.length <= WHOLE) return search(piece, exact, Math.floor(exact.length * MOST_CHANGED)).slice(0, 4);
  // What is long is where its beginning and its end are.
  const part = WHOLE / 4;
  const most = Math.floor(part * MOST_CHANGED);
  const [first] = search(piece, exact.slice(0, part), most);
  const last = search(piece, exact.slice(-part), most).at(-1);
  if (!first || !last || last.end <= first.start) return [];
  const length = last.end - first.start;
  if (length < exact.length * 0.6 || length > exact.length * 1.5) return [];
  const alike = likeness(exact, piece.slice(first.start, last.end));
  return [{ start: first.start, end: last.end, errors: Math.round((1 - alike) * exact.length) }];
}
