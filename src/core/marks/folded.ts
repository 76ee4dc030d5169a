/**
 * A text as it is compared: small letters without accents, one blank where there are several, one kind of quotation mark
 * and dash, nothing that cannot be seen. With it goes where each of its characters stands in the text itself.
 */
export type Folded = { text: string; at: Uint32Array };

const BLANK = 32;
const SAME: Record<string, string> = {
  ...{ "‘": "'", "’": "'", "‚": "'", "‛": "'", "“": '"', "”": '"', "„": '"', "«": '"', "»": '"' },
  ...{ "‐": "-", "‑": "-", "‒": "-", "–": "-", "—": "-", "−": "-", "…": "." },
};
/** Soft hyphens, zero-width marks, directions, variation selectors. */
const UNSEEN = /[\u00ad\u200b-\u200f\u202a-\u202e\u2060-\u2064\ufe00-\ufe0f\ufeff]/;

/** What each character of the basic plane is compared as; 0: as nothing. Made as they are met. */
const known = new Int32Array(0x10000).fill(-1);
function foldOf(code: number): number {
  const found = known[code]!;
  if (found >= 0) return found;
  const char = String.fromCharCode(code);
  let folded = code;
  if (/\s/.test(char)) folded = BLANK;
  else if (UNSEEN.test(char)) folded = 0;
  else if (code >= 0x300 && code <= 0x36f) folded = 0;
  else if (SAME[char]) folded = SAME[char].charCodeAt(0);
  else if (code < 0xd800 || code > 0xdfff) {
    const small = char.toLowerCase();
    const plain = code < 0x2000 ? small.normalize("NFD") : small;
    // Only of Latin, Greek and Cyrillic letters the accents fall away; elsewhere the parts of a letter are letters.
    folded = (code < 0x590 || (code >= 0x1e00 && code < 0x2000) ? plain : small).charCodeAt(0);
  }
  known[code] = folded;
  return folded;
}

/** Folds a text, in one go over its characters. */
export function fold(text: string): Folded {
  const codes = new Uint16Array(text.length);
  const at = new Uint32Array(text.length);
  let length = 0;
  for (let i = 0; i < text.length; i++) {
    const code = foldOf(text.charCodeAt(i));
    if (code === 0 || (code === BLANK && (length === 0 || codes[length - 1] === BLANK))) continue;
    codes[length] = code;
    at[length++] = i;
  }
  const parts: string[] = [];
  // So many arguments a call can have.
  for (let i = 0; i < length; i += 8_192)
    parts.push(String.fromCharCode(...codes.subarray(i, Math.min(length, i + 8_192))));
  return { text: parts.join(""), at: at.subarray(0, length) };
}

/** Where a place of the folded text stands in the text itself: the end of a passage is behind its last character. */
export function unfolded({ at }: Folded, start: number, end: number): { start: number; end: number } {
  return { start: at[start]!, end: at[end - 1]! + 1 };
}

/** The place of the folded text nearest to one of the text itself. */
export function foldedPlace({ at }: Folded, place: number): number {
  let [low, high] = [0, at.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (at[middle]! < place) low = middle + 1;
    else high = middle;
  }
  return low;
}
