import { expect, test } from "vitest";
import { type RuleFacts, ruleFits } from "./fits";

const facts: RuleFacts = {
  host: "news.bog.example",
  sender: "The Peat Weekly <weekly@peat.example>",
  tags: ["Water Table"],
  title: "Why the Éland river rises: carbon-14 and C",
};

test.each([
  ["a site and those beneath it", { host: "bog.example" }, true],
  ["as people paste it", { host: "https://www.bog.example/path" }, true],
  ["not one that only ends alike", { host: "og.example" }, false],
  ["a sender by a part of it", { sender: "weekly@PEAT" }, true],
  ["a tag in another case", { tag: "water table" }, true],
  ["a word without its accent", { word: "eland" }, true],
  ["not a part of a word", { word: "land" }, false],
  ["two words beside each other", { word: "river rises" }, true],
  ["all of it must hold", { host: "bog.example", tag: "moss" }, false],
  ["nothing named fits nothing", {}, false],
  ["blanks name nothing", { word: " - " }, false],
])("%s", (_, when, fits) => expect(ruleFits(when, facts)).toBe(fits));

test("what is left out does not fit, whatever else does", () => {
  const when = { host: "bog.example" };
  expect(ruleFits(when, facts, [])).toBe(true);
  expect(ruleFits(when, facts, [{ host: "maps.bog.example" }, { word: "falls" }])).toBe(true);
  expect(ruleFits(when, facts, [{ host: "maps.bog.example" }, { word: "rises" }])).toBe(false);
  expect(ruleFits(when, facts, [{ host: "news.bog.example" }])).toBe(false);
});
