import { expect, test } from "vitest";
import { languageTag } from "./language-tag";

/** BCP 47 and ISO 639-2 (both kinds of codes of three letters), names as lists have them. */
test.each([
  ["English", "en"],
  ["ngerman", "de"],
  ["ger", "de"],
  ["deu", "de"],
  ["en_GB", "en-GB"],
  ["PT-br", "pt-BR"],
  ["zh-Hant", "zh-Hant"],
  ["日本語", "ja"],
  ["spoken here", null],
  ["", null],
  ["en-", null],
])("%s is %s", (said, tag) => expect(languageTag(said)).toBe(tag));
