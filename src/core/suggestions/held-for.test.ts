import { expect, test } from "vitest";
import { heldFor } from "./held-for";

const offered = { name: "Ada", address: "", title: "", text: "", why: "" };

test("a word of the list holds what has it, as a whole word, whatever its case", () => {
  expect(heldFor("peat", { ...offered, why: "A PEAT bog" })).toBe("peat");
  expect(heldFor("peat", { ...offered, why: "repeat, peaty" })).toBeNull();
  expect(heldFor("buy now\nother", { ...offered, title: "Buy  NOW!" })).toBe("buy now");
  expect(heldFor("Straße", { ...offered, text: "die STRASSE, die straße" })).toBe("Straße");
  expect(heldFor(" , \n,", { ...offered, text: "anything" })).toBeNull();
});

test("a site of the list holds its pages and those of all that belongs to it", () => {
  const at = (address: string) => heldFor("ads.example", { ...offered, address });
  expect(at("https://ads.example/x")).toBe("ads.example");
  expect(at("https://www.ADS.example/x")).toBe("ads.example");
  expect(at("https://badads.example/x")).toBeNull();
  expect(at("https://bog.example/?to=ads.example")).toBeNull();
});

test("two hundred of the list are looked for, and no more", () => {
  const list = Array.from({ length: 300 }, (_, i) => `w${i}`).join(",");
  expect(heldFor(list, { ...offered, text: "w199" })).toBe("w199");
  expect(heldFor(list, { ...offered, text: "w200" })).toBeNull();
});
