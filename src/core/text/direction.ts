/** Languages whose script goes from right to left where no other script is named (CLDR's likely scripts, from memory). */
const RIGHT_TO_LEFT = new Set([
  "ar",
  "arc",
  "ckb",
  "dv",
  "fa",
  "he",
  "iw",
  "ks",
  "ps",
  "sd",
  "syr",
  "ug",
  "ur",
  "yi",
]);
const SCRIPTS = new Set(["arab", "hebr", "syrc", "thaa", "nkoo", "adlm", "rohg"]);

/**
 * Whether a language is written from right to left.
 * @param language as BCP 47 has it
 */
export function isRightToLeft(language: string): boolean {
  const [main = "", ...more] = language.toLowerCase().split("-");
  const script = more.find((part) => part.length === 4);
  return script ? SCRIPTS.has(script) : RIGHT_TO_LEFT.has(main);
}
