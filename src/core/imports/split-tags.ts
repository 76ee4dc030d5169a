import type { TagSeparator } from "../formats/imported";
import { tagKey, tagName } from "../tags/tag-name";

const SIGN: Record<Exclude<TagSeparator, "none">, RegExp> = {
  comma: /,/,
  semicolon: /;/,
  bar: /\|/,
  space: /\s+/,
};

/**
 * Takes a file's text of tags apart. With `none` the whole text is one tag.
 * @param text of one cell or attribute
 * @param separator what stands between two tags; see `findSeparator`
 */
export function splitTags(text: string, separator: TagSeparator): string[] {
  const byKey = new Map<string, string>();
  for (const part of separator === "none" ? [text] : text.split(SIGN[separator])) {
    const name = tagName(part.replace(/^#/, ""));
    if (name && !byKey.has(tagKey(name))) byKey.set(tagKey(name), name);
  }
  return [...byKey.values()];
}

/**
 * Finds what separates the tags in a file from all its texts of tags together. A sign that occurs settles it.
 * Where there are only blanks, they separate when the words of a text go about with changing company ("bog moss",
 * "moss water"), and belong to a name when the same words always stand together ("water table").
 * @param texts all texts of tags of the file, because one alone says too little
 */
export function findSeparator(texts: readonly string[]): TagSeparator {
  const count = (sign: RegExp) => texts.filter((text) => sign.test(text.trim())).length;
  const [commas, semicolons, bars] = [count(/,/), count(/;/), count(/\|/)];
  const most = Math.max(commas, semicolons, bars);
  if (most > 0) return most === commas ? "comma" : most === semicolons ? "semicolon" : "bar";
  const many = texts
    .map((text) => tagKey(text).split(" ").filter(Boolean))
    .filter((words) => words.length > 1);
  if (!many.length) return "comma";
  const company = new Map<string, Set<string>>();
  for (const words of many) {
    for (const [i, word] of words.entries()) {
      const others = company.get(word) ?? company.set(word, new Set()).get(word)!;
      others.add(`${words[i - 1] ?? ""} ${words[i + 1] ?? ""}`);
    }
  }
  const changing = [...company.values()].filter((others) => others.size > 1).length;
  const long = many.filter((words) => words.length > 3).length;
  return changing * 2 >= company.size || long * 2 > many.length ? "space" : "comma";
}
