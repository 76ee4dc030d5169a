import { runAt } from "./runs";
import { stem } from "./stem";
import { fold, type Token, tokensOf } from "./tokens";

/** A piece of text with the words that were looked for marked. */
export type Passage = { text: string; marks: [start: number, end: number][]; cut: [boolean, boolean] };

/** What counts as found: the term itself, or a word that begins like the unfinished last one. */
export type Wanted = { terms: ReadonlySet<string>; prefix: string | null };

/** Looks through texts for the same words. */
export class Seeker {
  private readonly first: ReadonlySet<string>;
  /** Where a wanted word could begin: one of their first letters, or what could fold into one. */
  private readonly hint: RegExp;
  /** Words met before, by language, with their stems, or null when they are not wanted: the same ones always return. */
  private readonly known = new Map<string | null, Map<string, string | null>>();

  constructor(private readonly wanted: Wanted) {
    this.first = new Set([...wanted.terms, wanted.prefix ?? ""].map((term) => term.charAt(0)));
    const ascii = [...this.first].filter((letter) => /[a-z0-9]/.test(letter)).join("");
    const begins = ascii && `(?<![A-Za-z0-9])[${ascii}${ascii.toUpperCase()}]|`;
    this.hint = new RegExp(`${begins}[^\\x00-\\x7f]`, "g");
  }

  /** Where the wanted words stand in a short text. */
  marksIn(text: string, language: string | null): [number, number][] {
    const marks: [number, number][] = [];
    for (const token of this.wantedIn(text, language)) {
      const last = marks.at(-1);
      // Pairs of letters overlap, and parts lie in their whole.
      if (last && token.start <= last[1]) last[1] = Math.max(last[1], token.end);
      else marks.push([token.start, token.end]);
    }
    return marks;
  }

  /**
   * The piece of a text in which most different wanted words stand near each other, with them marked; null when none is
   * in it.
   * @param length about how many characters it may have
   */
  passageIn(text: string, language: string | null, length = 220): Passage | null {
    const hits = this.wantedIn(text, language);
    if (!hits.length) return null;
    let best = { start: hits[0]!.start, different: 0, count: 0 };
    const inside = new Map<string, number>();
    let from = 0;
    for (let to = 0; to < hits.length; to++) {
      inside.set(hits[to]!.term, (inside.get(hits[to]!.term) ?? 0) + 1);
      while (hits[to]!.end - hits[from]!.start > length) {
        const left = inside.get(hits[from]!.term)! - 1;
        if (left) inside.set(hits[from]!.term, left);
        else inside.delete(hits[from]!.term);
        from++;
      }
      const count = to - from + 1;
      if (inside.size > best.different || (inside.size === best.different && count > best.count))
        best = { start: hits[from]!.start, different: inside.size, count };
    }
    // A little before the first word, from the beginning of a word.
    let start = Math.max(0, best.start - Math.floor(length / 4));
    if (start > 0) start = text.indexOf(" ", start) + 1 || start;
    if (start > best.start) start = best.start;
    let end = Math.min(text.length, start + length);
    if (end < text.length) end = Math.max(text.lastIndexOf(" ", end), best.start + 1);
    const piece = text.slice(start, end);
    return { text: piece, marks: this.marksIn(piece, language), cut: [start > 0, end < text.length] };
  }

  /**
   * The wanted words of a text, in order. Stemming never changes the first letter of a word (but in a few languages), so
   * only the runs between blanks in which such a beginning stands, or anything that is not ASCII and could fold into
   * one, are taken apart; and most of those are one plain word.
   */
  private wantedIn(text: string, language: string | null): Token[] {
    if (OTHER_BEGINNINGS.has(language?.slice(0, 2).toLowerCase() ?? ""))
      return tokensOf(text, language).filter((token) => this.isWanted(token));
    let known = this.known.get(language);
    if (!known) this.known.set(language, (known = new Map()));
    const { hint } = this;
    const found: Token[] = [];
    hint.lastIndex = 0;
    // What it finds is one letter long.
    while (hint.test(text)) {
      const { start, end, from, to, plain } = runAt(text, hint.lastIndex - 1);
      hint.lastIndex = end;
      if (plain) {
        const word = text.slice(from, to).toLowerCase();
        let term = known.get(word);
        if (term === undefined) {
          term = fold(stem(word, language)) || word;
          if (!this.isWanted({ term, word })) term = null;
          known.set(word, term);
        }
        if (term !== null) found.push({ term, word, start: from, end: to, part: false });
      } else
        for (const token of tokensOf(text.slice(start, end), language, (word) =>
          this.first.has(word.charAt(0)),
        ))
          if (this.isWanted(token))
            found.push({ ...token, start: token.start + start, end: token.end + start });
    }
    return found;
  }

  private isWanted({ term, word }: Pick<Token, "term" | "word">): boolean {
    const { terms, prefix } = this.wanted;
    return terms.has(term) || terms.has(word) || (!!prefix && word.startsWith(prefix));
  }
}

/**
 * Languages whose stems have other beginnings: without the article in Arabic, the lenition in Irish, prefixes in Tamil;
 * in Turkish the last consonant of a stem hardens, and that may be all there is of it.
 */
const OTHER_BEGINNINGS: ReadonlySet<string> = new Set(["ar", "ga", "ta", "tr"]);

/**
 * Whether the words of a phrase stand in the text one right after the other.
 * @param language of the text, a BCP 47 tag, or null when nobody knows
 * @param phrase several words, in any case
 */
export function holdsPhrase(text: string, language: string | null, phrase: string): boolean {
  const words = (of: string) => tokensOf(of, language).filter((token) => !token.part);
  const wanted = words(phrase);
  if (!wanted.length) return true;
  const there = words(text);
  return there.some((_, i) =>
    wanted.every((word, k) => there[i + k]?.word === word.word || there[i + k]?.term === word.term),
  );
}
