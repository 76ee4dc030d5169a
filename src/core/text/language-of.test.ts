import { readFileSync } from "node:fs";
import { expect, test } from "vitest";
import { languageBeside, languageOf } from "./language-of";

test.each([
  [
    "en",
    "The water table of a raised bog stands close to the surface for most of the year, and it is the moss that keeps it there. Whoever wants to know how wet a mire is puts a pipe into it and looks how deep the water stands.",
  ],
  [
    "de",
    "Der Wasserstand eines Hochmoores liegt den größten Teil des Jahres nahe an der Oberfläche, und es ist das Moos, das ihn dort hält. Wer wissen will, wie nass ein Moor ist, steckt ein Rohr hinein und sieht nach.",
  ],
  [
    "fr",
    "Le niveau de l'eau d'une tourbière reste près de la surface pendant la plus grande partie de l'année, et c'est la mousse qui le maintient là. Qui veut savoir combien une tourbière est humide y enfonce un tuyau.",
  ],
  [
    "sv",
    "Vattenståndet i en högmosse ligger större delen av året nära ytan, och det är mossan som håller det där. Den som vill veta hur våt en myr är sticker ner ett rör i den och ser efter hur djupt vattnet står efter en dag.",
  ],
  [
    "ja",
    "高層湿原の水位は一年のほとんどの間、地表の近くにあり、それを保っているのはミズゴケである。湿原がどれほど湿っているかを知りたい人は、管を差し込む。",
  ],
])("a text in %s", (tag, text) => expect(languageOf(text)).toBe(tag));

test.each([
  ["too little", "The water table of a raised bog"],
  ["figures", "1.2 3.4 5.6 Well 1 Well 2 A12 B13 2019 2020 2021 ".repeat(20)],
  ["a program", "const x = a([1, 2]).map((b) => b + 1).filter(Boolean).join(', '); ".repeat(8)],
  ["", ""],
])("who could tell of %s", (_, text) => expect(languageOf(text)).toBeNull());

test("a long text is told by its pieces; one in two languages is in neither", () => {
  const english = readFileSync("docs/operations.md", "utf8").replace(/`[^`]*`/g, "");
  expect(languageOf(english)).toBe("en");
  expect(languageOf(english.slice(0, 3_000))).toBe("en");
  const german = readFileSync("tests/reference/files/pages/says-no-language.html", "utf8").replace(
    /<[^>]*>/g,
    " ",
  );
  expect(languageOf(german)).toBe("de");
  expect(languageOf(german + english.slice(2_000, 2_000 + german.length))).toBeNull();
  expect(languageOf(english.slice(0, 2_500) + german.slice(0, 500))).toBe("en");
});

test("what a program says unasked gives way to what the words are in", () => {
  const german =
    "Der Wasserstand eines Hochmoores liegt den größten Teil des Jahres nahe an der Oberfläche, und es ist das Moos, das ihn dort hält. Wer wissen will, wie nass ein Moor ist, steckt ein Rohr hinein und sieht nach einem Tag nach.";
  expect(languageBeside("en-US", german)).toBe("de");
  expect(languageBeside("de-AT", german)).toBe("de-AT");
  expect(languageBeside("en-US", "Hochmoor")).toBe("en-US");
  expect(languageBeside(null, german)).toBe("de");
});
