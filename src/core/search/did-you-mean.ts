/** A word of the team and in how many resources it is. */
export type Known = { word: string; df: number };

/**
 * How many letters have to be put in, taken out, exchanged, or swapped with their neighbour to make one word of the
 * other (optimal string alignment, the restricted Damerau–Levenshtein distance); anything over `most` is `most + 1`.
 * @param most beyond it nobody needs to know how far
 */
export function distance(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let before: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    let least = i;
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1;
      let value = Math.min(row[j - 1]! + 1, last[j]! + 1, last[j - 1]! + same);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        value = Math.min(value, before[j - 2]! + 1);
      row.push(value);
      least = Math.min(least, value);
    }
    if (least > most) return most + 1;
    [before, last] = [last, row];
  }
  return last[b.length]!;
}

/** How far off a word may be: short words are too near to each other. */
const reach = (word: string): number => (word.length < 4 ? 0 : word.length < 8 ? 1 : 2);

/** What a word is shortened to has so many letters at least. */
const SHORTENED = 3;

/**
 * The word of the team's own that was most likely meant, or null: the nearest, then the most used; where none is near,
 * the most used one that begins so, because a word may have been left unfinished.
 * @param typed one word that was not found
 * @param known words of the team with how often they are used
 */
export function didYouMean(typed: string, known: readonly Known[]): string | null {
  const most = reach(typed);
  let best: (Known & { far: number }) | null = null;
  for (const one of known) {
    const begins = typed.length >= SHORTENED && one.word.startsWith(typed);
    const far = distance(typed, one.word, most);
    if (far === 0 || (far > most && !begins)) continue;
    if (!best || far < best.far || (far === best.far && one.df > best.df)) best = { ...one, far };
  }
  return best?.word ?? null;
}
