import { expect, test } from "vitest";
import { lixOf } from "./lix";

/** Ten words, two of them long, in a sentence. */
const SENTENCE = "The old dam holds back whatever water the summer station loses.";

test("words for each sentence, and long words in a hundred", () => {
  // 11 words, of which whatever, station (7 letters and more) are long: 11 + 18.2.
  expect(lixOf(Array(10).fill(SENTENCE).join(" "))).toBe(29);
  expect(lixOf(Array(5).fill(`${SENTENCE} ${SENTENCE}`).join("\n"))).toBe(29);
});

test("headings and labels are no running text; an abbreviation, a number, a colon ends no sentence", () => {
  const text = Array(10).fill(SENTENCE).join("\n");
  expect(lixOf(`Water table\n${text}\nRead more`)).toBe(29);
  const within = SENTENCE.replace("The old", "Dr. Moss at 4.5 m, e.g. this: the old");
  // 19 words, 2 long.
  expect(lixOf(Array(10).fill(within).join(" "))).toBe(Math.round(19 + 200 / 19));
});

test("of too few words, and in scripts it says nothing about, there is none", () => {
  expect(lixOf(Array(9).fill(SENTENCE).join(" "))).toBeNull();
  expect(lixOf("")).toBeNull();
  expect(lixOf("泥炭地の水位は夏に下がる。".repeat(60))).toBeNull();
  expect(lixOf("الماء في المستنقع يرتفع في الشتاء كل سنة. ".repeat(30))).toBeNull();
  // 10 words, of which болоте has six letters and поднимается seven and more: 10 + 10.
  expect(lixOf("Вода в болоте поднимается зимой и уходит летом каждый год. ".repeat(12))).toBe(20);
});
