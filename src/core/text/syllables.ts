/** Languages whose syllables can be counted from how a word is written. */
export type Syllabled = "en" | "de" | "es";
export const SYLLABLED: readonly Syllabled[] = ["en", "de", "es"];

/** Letters with marks as those without, but for umlauts, which are vowels of their own. */
const bare = (word: string): string =>
  word
    .toLowerCase()
    .normalize("NFD")
    .replace(/([aou])\u0308/g, (_, letter: string) => ({ a: "ä", o: "ö", u: "ü" })[letter]!)
    .replace(/\p{M}/gu, "");

/**
 * How many syllables a word has, by rules for how words are written; none of them knows every word (two in a hundred are
 * one off in English).
 * @returns at least 1
 */
export function syllablesIn(word: string, language: Syllabled): number {
  // A number is read out as it is, which nobody can tell from its letters.
  if (/^\p{N}/u.test(word)) return 1;
  const parts = word.split(/['’-]/).filter((part) => /\p{L}/u.test(part));
  // What follows an apostrophe and is short ("it's", "don't") is said with what it follows.
  const said = parts.filter((part, i) => i === 0 || part.length > 2);
  return Math.max(
    1,
    said.reduce((sum, part) => sum + Math.max(1, RULES[language](part)), 0),
  );
}

const RULES: Record<Syllabled, (word: string) => number> = { en: english, de: german, es: spanish };

const count = (text: string, pattern: RegExp): number => text.match(pattern)?.length ?? 0;

/** Vowels that stand together are one syllable, but where two meet that are said apart; an e at the end is mute. */
function english(given: string): number {
  const word = bare(given)
    // queen, unique, guard, colleague: the u is none of the vowels; beyond, layer: neither is the y.
    .replace(/qu(?=[aeiouy])|^gu(?=[aei])|gue(?=s?$)/g, (found) => found[0]!)
    .replace(/([aeiou])y(?=[aeiou])/g, "$1j");
  let found = count(word, /[aeiouyäöü]+/g);
  // table, apple, metre: the e is mute and the l is not.
  if (/[^aeiouy]e$/.test(word) && !/[^aeiouylr][lr]e$/.test(word)) found--;
  // named, looked; but wanted, needed, doubled.
  if (/[^aeiouytd]ed$/.test(word) && !/[^aeiouylr]led$/.test(word)) found--;
  // times, rules; but pages, boxes, wishes, tables, metres.
  if (/[^aeiouycgsxz]es$/.test(word) && !/(?:[cs]h|[^aeiouylr][lr])es$/.test(word)) found--;
  // safely, useful, statement: the e of what it is made of is mute within it, too.
  found -= count(word, /[^aeiouylr]e(?=(?:ly|ness|less|ful|ment|times?|thing)s?$)/g);
  // somebody, therefore, everything.
  found -= count(
    word,
    /^(?:there|here|where|fore|some|like|home|life|every)(?!(?:ly|times?|thing|less|ness|ful)|.?$)(?=[^aeiouyr])/g,
  );
  // area, idea, theatre, museum, clients, radio, material, science, heavier; but nation, special, people.
  found += count(word, /[aeiouy][^aeiouy]+ea$|ea(?=tre|lity)|eu(?=m$)|eo(?!u|ple)|ei(?=ng)/g);
  found += count(
    word,
    /[^ctsgx]i[ao](?!u)|[^tc]ie(?=nt)|ie(?=nc|t)|i(?=um|us)|[iy]ing|[^aeiouy]ie(?=r$|st$)/g,
  );
  found += count(word, /ua(?=l|t|r)|uo(?=us)|oe(?=t)|oi(?=ng)|ia(?=t)/g);
  // automatically.
  found -= count(word, /ically$/g);
  // rhythm, organism.
  found += count(word, /[^aeiouy]thms?$|sms?$/g);
  return found;
}

/** Two vowels are one where they make a diphthong or a long vowel, and else two. */
function german(given: string): number {
  return count(bare(given).replace(/qu/g, "q"), /e(?=um$)|aa|ee|oo|ai|ei|au|eu|äu|ie|ay|ey|[aeiouyäöü]/g);
}

/** Two strong vowels are two syllables, a strong and a weak one are one, but where an accent stands on the weak one. */
function spanish(given: string): number {
  const word = given
    .toLowerCase()
    .normalize("NFC")
    .replace(/([qg])u(?=[eiéí])/g, "$1")
    .replace(/y$/, "i");
  return count(word, /[iuü]?[aeoáéó][iuü]?(?![aeoáéó])|[iuü]?[aeoáéó]|[íú]|[iuü]+/g);
}
