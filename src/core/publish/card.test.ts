import { Parser } from "htmlparser2";
import { expect, test } from "vitest";
import { cardSvg, linesOf } from "./card";

test("a title is broken between words, a long word within, and what does not fit is cut with a sign", () => {
  expect(linesOf("Moss key for beginners", 12, 2)).toEqual(["Moss key for", "beginners"]);
  expect(linesOf("Donaudampfschifffahrt", 8, 3)).toEqual(["Donaudam", "pfschiff", "fahrt"]);
  expect(linesOf("one two three four five six seven", 9, 2)).toEqual(["one two", "three…"]);
  expect(linesOf("x".repeat(100_000), 20, 2)).toHaveLength(2);
});

test("the card is one drawing with nothing from elsewhere, whatever the title says", () => {
  const threads = [{ kind: "page" as const, minutes: 5, tag: "moss" }];
  const drawn = cardSvg({ title: "A <b>&amp;</b> \"title\"", teamName: "<i>" }, threads, ["moss"], "1 item");
  const names = new Set<string>();
  let words = "";
  new Parser({ onopentag: (name) => void names.add(name), ontext: (text) => void (words += text) }, { xmlMode: true }).end(drawn);
  expect([...names].sort()).toEqual(["g", "path", "svg", "text"]);
  expect(words).toContain('A <b>&amp;</b> "title"');
  expect(drawn).not.toMatch(/var\(|href|url\(/);
}); // prettier-ignore
