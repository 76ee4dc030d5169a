import { expect, test } from "vitest";
import { countWords, minutesOf, sayMinutes } from "./minutes";

test("playing time wins over words, nothing known is nothing said", () => {
  expect(minutesOf({ words: 2_380, seconds: null })).toBe(10);
  expect(minutesOf({ words: 5_000, seconds: 90 })).toBe(2);
  expect(minutesOf({ words: null, seconds: 4 })).toBe(1);
  expect(minutesOf({ words: null, seconds: null })).toBeNull();
  expect([sayMinutes(59), sayMinutes(60), sayMinutes(113)]).toEqual(["59 min", "1 h", "1 h 53 min"]);
});

test("words of other languages are read as fast as what they say", () => {
  const minutes = (language: string) => minutesOf({ words: 2_380, seconds: null, language });
  // 2,380 words at 238 × 179 / 228 a minute.
  expect([minutes("en-GB"), minutes("de"), minutes("fi-FI"), minutes("ja")]).toEqual([10, 13, 14, 10]);
});

test("words of spaced and unspaced scripts", () => {
  expect(countWords("The bog's water-table fell 3 cm.")).toBe(6);
  expect(countWords("泥炭地の水位")).toBe(3);
});
