import { francAll } from "franc";

/** Languages that are told apart, by their codes in ISO 639-3, with those of BCP 47. */
const CODES: Record<string, string> = {
  ...{ eng: "en", deu: "de", fra: "fr", spa: "es", nld: "nl", ita: "it", por: "pt", swe: "sv", pol: "pl" },
  ...{ dan: "da", nob: "nb", fin: "fi", ces: "cs", hun: "hu", ron: "ro", tur: "tr", ell: "el", rus: "ru" },
  ...{ ukr: "uk", arb: "ar", jpn: "ja", cmn: "zh", kor: "ko", cat: "ca", lit: "lt", est: "et" },
};
/** A shorter text may be in anything, in characters; scripts that need fewer signs say more by each. */
const LEAST = { letters: 160, signs: 40 };
/** Pieces of a long text are looked at: the measure says less the longer the piece, and a text may quote another language. */
const PIECE = 600;
const PIECES = 5;
/** So many of the pieces are in it: a quotation may be in another. */
const SHARE = 0.6;
/** The next language fits a piece so much worse at least, or nobody can tell. */
const NEXT = 0.975;

/**
 * The language a text is in, by the letters that stand beside one another (franc, Cavnar and Trenkle 1994); for texts that do
 * not say it themselves.
 * @param text of any length; pieces of its first hundred thousand characters count
 * @returns a tag of BCP 47; null when it cannot be told, or when it is in several
 */
export function languageOf(text: string): string | null {
  const told = piecesOf(text.slice(0, 100_000)).map(ofPiece);
  const most = told.toSorted((a, b) => count(told, b) - count(told, a))[0];
  return most && count(told, most) >= told.length * SHARE ? most : null;
}

const count = (told: readonly (string | null)[], language: string | null): number =>
  language === null ? 0 : told.filter((one) => one === language).length;

function piecesOf(text: string): string[] {
  if (text.length <= PIECE * 2) return [text.slice(0, PIECE)];
  const count = Math.min(PIECES, Math.floor(text.length / PIECE));
  const step = (text.length - PIECE) / (count - 1);
  return Array.from({ length: count }, (_, i) => text.slice(i * step, i * step + PIECE));
}

function ofPiece(piece: string): string | null {
  const letters = piece.match(/\p{L}/gu)?.length ?? 0;
  const isDense = /[\p{sc=Han}\p{sc=Hiragana}\p{sc=Hangul}]{4}/u.test(piece);
  if (letters < (isDense ? LEAST.signs : LEAST.letters)) return null;
  const [first, second] = francAll(piece, { only: Object.keys(CODES) });
  return first && first[0] !== "und" && (second?.[1] ?? 0) <= NEXT ? (CODES[first[0]] ?? null) : null;
}

/**
 * The language of a document that says one because its program put it there: what the words are in comes first, and what it
 * says where that is the same, as it may name a country, or nobody can tell.
 * @param declared a tag of BCP 47, or null
 * @param text of the document
 */
export function languageBeside(declared: string | null, text: string): string | null {
  const told = languageOf(text);
  const main = declared?.split("-")[0]!.toLowerCase();
  return told && told !== (main === "no" || main === "nn" ? "nb" : main) ? told : declared;
}
