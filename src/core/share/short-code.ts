import { LETTERS } from "./code";

/** Letters before the check letter. */
export const LENGTH = 6;
/** Of the least prime above the number of letters no single slip is divisible: see `check`. */
export const PRIME = 29;

/** What people write or type for a letter of ours that it looks like, in their alphabet or hand. */
export const LOOKS_LIKE: Record<string, string> = {
  ...{ u: "v", ν: "v", υ: "v" },
  ...{ с: "c", р: "p", х: "x", к: "k", н: "h", т: "t", м: "m", г: "r", ѕ: "s", ј: "j", б: "6", з: "3", в: "b", ԁ: "d" },
  ...{ ρ: "p", τ: "t", χ: "x", κ: "k", η: "n", β: "b" },
}; // prettier-ignore

/**
 * The check letter of a short code: the letters weighted by powers of two, modulo 29. One wrong letter changes the sum by
 * a difference below 29 times a power of two, two neighbours swapped by their difference times one, two alike by three
 * times one: none is divisible by 29, so every such slip shows.
 * @param code six letters of ours
 * @returns null when the sum has no letter; such a code is not given out
 */
function check(code: string): string | null {
  let sum = 0;
  for (const [i, letter] of [...code].entries()) sum += LETTERS.indexOf(letter) * 2 ** (i + 1);
  return LETTERS[sum % PRIME] ?? null;
}

/**
 * A short code to be typed or read aloud: six letters and a check letter.
 * @param random bytes; those that would favour some letters, and codes without a check letter, are passed over
 * @throws {RangeError} when there were not enough of them
 */
export function shortCode(random: Uint8Array): string {
  const even = 256 - (256 % LETTERS.length);
  let code = "";
  for (const byte of random) {
    if (byte >= even) continue;
    code += LETTERS[byte % LETTERS.length];
    if (code.length < LENGTH) continue;
    const last = check(code);
    if (last) return code + last;
    code = "";
  }
  throw new RangeError("not enough random bytes for a code");
}

/** A short code as it is shown: in groups of three and four. */
export const saidInGroups = (code: string): string => `${code.slice(0, 3)} ${code.slice(3)}`;

export type Typed =
  | { code: string }
  /** `letter`: one that no code has; `length`: too few or too many; `slip`: they do not fit each other. */
  | { wrong: "letter"; letter: string }
  | { wrong: "length"; count: number }
  | { wrong: "slip" };

/**
 * Reads a short code as somebody typed it: case, blanks and hyphens count nothing, and a letter that looks like one of ours
 * is taken for it.
 * @param text as it was typed
 */
export function readShortCode(text: string): Typed {
  const letters = [
    ...text
      .slice(0, 200)
      .normalize("NFKC")
      .toLowerCase()
      .replace(/[\s\p{Pd}._·]/gu, ""),
  ].map((letter) => LOOKS_LIKE[letter] ?? letter);
  const odd = letters.find((letter) => !LETTERS.includes(letter));
  if (odd !== undefined) return { wrong: "letter", letter: odd };
  if (letters.length !== LENGTH + 1) return { wrong: "length", count: letters.length };
  const code = letters.join("");
  return check(code.slice(0, LENGTH)) === code[LENGTH] ? { code } : { wrong: "slip" };
}
