import { type Token, tokensOf } from "./tokens";

/** A piece of text with the words that were looked for marked. */
export type Passage = { text: string; marks: [start: number, end: number][]; cut: [boolean, boolean] };

/** What counts as found: the term itself, or a word that begins like the unfinished last one. */
export type Wanted = { terms: ReadonlySet<string>; prefix: string | null };

const isWanted = ({ term, word }: Token, { terms, prefix }: Wanted) =>
  terms.has(term) || terms.has(word) || (prefix !== null && prefix.length > 0 && word.startsWith(prefix));

/** Where the wanted words stand in a short text. */
export function marksIn(text: string, language: string | null, wanted: Wanted): [number, number][] {
  const marks: [number, number][] = [];
  for (const token of tokensOf(text, language)) {
    if (!isWanted(token, wanted)) continue;
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
export function findPassage(
  text: string,
  language: string | null,
  wanted: Wanted,
  length = 220,
): Passage | null {
  const hits = tokensOf(text, language).filter((token) => isWanted(token, wanted));
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
  return { text: piece, marks: marksIn(piece, language, wanted), cut: [start > 0, end < text.length] };
}

/** Whether the words of a phrase stand in the text one right after the other. */
export function holdsPhrase(text: string, language: string | null, phrase: string): boolean {
  const words = (of: string) => tokensOf(of, language).filter((token) => !token.part);
  const wanted = words(phrase);
  if (!wanted.length) return true;
  const there = words(text);
  return there.some((_, i) =>
    wanted.every((word, k) => there[i + k]?.word === word.word || there[i + k]?.term === word.term),
  );
}
