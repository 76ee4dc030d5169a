/** What lists call languages by, beside codes: their names in English and at home, and those of LaTeX (babel); common practice. */
const NAMES: Record<string, string> = {
  ...{ english: "en", american: "en-US", usenglish: "en-US", british: "en-GB", ukenglish: "en-GB" },
  ...{ australian: "en-AU", canadian: "en-CA", german: "de", ngerman: "de", deutsch: "de" },
  ...{ austrian: "de-AT", naustrian: "de-AT", swissgerman: "de-CH", nswissgerman: "de-CH" },
  ...{ french: "fr", francais: "fr", français: "fr", canadien: "fr-CA", acadian: "fr-CA" },
  ...{ spanish: "es", español: "es", castellano: "es", italian: "it", italiano: "it" },
  ...{ dutch: "nl", nederlands: "nl", flemish: "nl-BE", portuguese: "pt", português: "pt" },
  ...{ portuges: "pt", brazilian: "pt-BR", brazil: "pt-BR", swedish: "sv", svenska: "sv" },
  ...{ danish: "da", dansk: "da", norwegian: "nb", norsk: "nb", bokmål: "nb", nynorsk: "nn" },
  ...{ finnish: "fi", suomi: "fi", icelandic: "is", polish: "pl", polski: "pl", czech: "cs" },
  ...{ čeština: "cs", slovak: "sk", slovene: "sl", slovenian: "sl", croatian: "hr", serbian: "sr" },
  ...{ hungarian: "hu", magyar: "hu", romanian: "ro", bulgarian: "bg", russian: "ru", русский: "ru" },
  ...{ ukrainian: "uk", greek: "el", turkish: "tr", türkçe: "tr", estonian: "et", latvian: "lv" },
  ...{ lithuanian: "lt", catalan: "ca", català: "ca", galician: "gl", basque: "eu", latin: "la" },
  ...{ welsh: "cy", irish: "ga", arabic: "ar", hebrew: "he", persian: "fa", hindi: "hi" },
  ...{ japanese: "ja", 日本語: "ja", chinese: "zh", 中文: "zh", korean: "ko", 한국어: "ko" },
};

/**
 * A language as a tag of BCP 47, by whatever a list calls it: its name, a code of ISO 639 of two or three letters, a tag.
 * @param said as it stands there
 * @returns the tag in its canonical form; null when it is none
 */
export function languageTag(said: string): string | null {
  const text = said.trim().replace(/_/g, "-");
  const named = NAMES[text.toLowerCase()];
  if (named) return named;
  if (!/^[a-z]{2,3}(?:-[a-z0-9]{2,8})*$/i.test(text) || text.length > 35) return null;
  try {
    return Intl.getCanonicalLocales(text)[0] ?? null;
  } catch {
    return null;
  }
}
