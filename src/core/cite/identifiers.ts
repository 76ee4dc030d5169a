import ISBN from "isbn3";

/** What is wrong with an identifier, in words for the person, or null when it is right or empty. */
export type IdentifierProblem = string | null;

/**
 * Checks an ISBN of 10 or 13 digits (ISO 2108; ISBN Users' Manual, 7th edition, §5 and annex 1: weights 10…1 modulo
 * 11 with X for ten, and 1, 3 alternating modulo 10).
 * @param typed with or without hyphens and blanks
 */
export function checkIsbn(typed: string): IdentifierProblem {
  const text = typed
    .replace(/^isbn(-1[03])?:?/i, "")
    .replace(/[\s\u2010-\u2015-]/g, "")
    .toUpperCase();
  if (!text) return null;
  if (!/^\d*X?$/.test(text)) return "An ISBN has only digits, and sometimes an X at the end.";
  if (text.length !== 10 && text.length !== 13)
    return `An ISBN has 10 or 13 digits; this one has ${text.length}.`;
  const right = text.length === 10 ? isbn10Digit(text) : isbn13Digit(text);
  if (text.length === 13 && !/^97[89]/.test(text)) return "An ISBN of 13 digits begins with 978 or 979.";
  if (text.length === 13 && text.endsWith("X")) return "Only an ISBN of 10 digits can end in X.";
  return text.endsWith(right) ? null : `The check digit should be ${right}.`;
}

function isbn10Digit(text: string): string {
  const sum = [...text.slice(0, 9)].reduce((total, digit, i) => total + +digit * (10 - i), 0);
  const digit = (11 - (sum % 11)) % 11;
  return digit === 10 ? "X" : String(digit);
}

function isbn13Digit(text: string): string {
  const sum = [...text.slice(0, 12)].reduce((total, digit, i) => total + +digit * (i % 2 ? 3 : 1), 0);
  return String((10 - (sum % 10)) % 10);
}

/**
 * The ISBN with its hyphens in their places, as ISBN-13, or as typed when it is none.
 * @param typed ten or thirteen digits, with or without hyphens and blanks
 */
export function formIsbn(typed: string): string {
  return ISBN.parse(typed.replace(/^isbn(-1[03])?:?\s*/i, ""))?.isbn13h ?? typed.trim();
}

/**
 * Checks an ISSN (ISO 3297; weights 8…2 modulo 11, X for ten).
 * @param typed with or without its hyphen
 */
export function checkIssn(typed: string): IdentifierProblem {
  const text = typed
    .replace(/^e?issn:?/i, "")
    .replace(/[\s\u2010-\u2015-]/g, "")
    .toUpperCase();
  if (!text) return null;
  if (!/^\d{7}[\dX]$/.test(text))
    return text.length === 8
      ? "An ISSN has only digits, and sometimes an X at the end."
      : `An ISSN has 8 digits; this one has ${text.length}.`;
  const sum = [...text.slice(0, 7)].reduce((total, digit, i) => total + +digit * (8 - i), 0);
  const right = (11 - (sum % 11)) % 11;
  const sign = right === 10 ? "X" : String(right);
  return text.endsWith(sign) ? null : `The check digit should be ${sign}.`;
}

/**
 * The bare DOI of what was typed: a DOI, `doi:…` or an address at a DOI resolver.
 * @param typed a DOI as people write it: bare, with `doi:`, or as an address
 */
export function bareDoi(typed: string): string {
  const text = typed.trim().replace(/^(?:https?:\/\/(?:dx\.)?doi\.org\/|doi:\s*)/i, "");
  if (!/%[0-9a-f]{2}/i.test(text) || !/^https?:/i.test(typed.trim())) return text;
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}

/** Checks a DOI (ISO 26324; DOI Handbook §2.2: `10.`, a registrant code, a slash and a suffix of any characters). */
export function checkDoi(typed: string): IdentifierProblem {
  const text = bareDoi(typed);
  if (!text) return null;
  if (!text.startsWith("10.")) return "A DOI begins with 10., for example 10.5555/peat.3.";
  if (!/^10\.\d{3,9}(\.\d+)*\//.test(text))
    return "After 10. come at least three digits and a slash, for example 10.5555/peat.3.";
  if (!/^10\.[\d.]+\/\S+$/.test(text)) return "After the slash the DOI goes on, without blanks.";
  return null;
}

/** Whether a text is a DOI. */
export const isDoi = (text: string): boolean => Boolean(text) && checkDoi(text) === null;
