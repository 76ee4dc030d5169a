/** A sentence is looked for within so many characters; a line of a million letters is cut there. */
const REACH = 4_000;

type Span = { start: number; end: number };

/** Without the blanks at its ends; null when nothing else is there. */
function trimmed(text: string, start: number, end: number): Span | null {
  let [from, to] = [start, end];
  while (from < to && /\s/.test(text[from]!)) from++;
  while (to > from && /\s/.test(text[to - 1]!)) to--;
  return from < to ? { start: from, end: to } : null;
}

/** The sentences of a piece of a text (Unicode Standard Annex 29, by the language's rules); a line ends one, too. */
function sentencesIn(text: string, from: number, to: number, language: string): Span[] {
  const segmenter = new Intl.Segmenter(language, { granularity: "sentence" });
  return [...segmenter.segment(text.slice(from, to))].flatMap(
    ({ index, segment }) => trimmed(text, from + index, from + index + segment.length) ?? [],
  );
}

/** The next sentence from a place on; null behind the last one. */
export function sentenceAfter(text: string, at: number, language = "en"): Span | null {
  for (let from = at; from < text.length; from += REACH) {
    const [first] = sentencesIn(text, from, Math.min(text.length, from + REACH), language);
    if (first) return first;
  }
  return null;
}

/** The sentence before a place; null before the first one. */
export function sentenceBefore(text: string, at: number, language = "en"): Span | null {
  for (let to = at; to > 0; to -= REACH) {
    const last = sentencesIn(text, Math.max(0, to - REACH), to, language).at(-1);
    if (last) return last;
  }
  return null;
}
