import { francAll } from "franc";

/** Languages that are told apart, by their codes in ISO 639-3, with those of BCP 47. */
const CODES: Record<string, string> = {
  ...{ eng: "en", deu: "de", fra: "fr", spa: "es", nld: "nl", ita: "it", por: "pt", swe: "sv", pol: "pl" },
  ...{ dan: "da", nob: "nb", fin: "fi", ces: "cs", hun: "hu", ron: "ro", tur: "tr", ell: "el", rus: "ru" },
  ...{ ukr: "uk", arb: "ar", jpn: "ja", cmn: "zh", kor: "ko", cat: "ca", lit: "lt", est: "et" },
};
/** A shorter text may be in anything, in characters; scripts that need fewer signs say more by each. */
const LEAST = { letters: 160, signs: 40 };
/** The next language fits so much worse at least, or nobody can tell. */
const NEXT = 0.975;

/**
 * The language a text is in, by the letters that stand beside one another (franc, Cavnar and Trenkle 1994); for texts that do
 * not say it themselves.
 * @param text of any length; its beginning counts
 * @returns a tag of BCP 47; null when it cannot be told
 */
export function languageOf(text: string): string | null {
  const start = text.slice(0, 6_000);
  const letters = start.match(/\p{L}/gu)?.length ?? 0;
  const isDense = /[\p{sc=Han}\p{sc=Hiragana}\p{sc=Hangul}]{4}/u.test(start);
  if (letters < (isDense ? LEAST.signs : LEAST.letters)) return null;
  const [first, second] = francAll(start, { only: Object.keys(CODES) });
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
