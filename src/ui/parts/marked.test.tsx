import { renderToStaticMarkup } from "react-dom/server";
import { expect, test } from "vitest";
import { Marked } from "./marked";

const shown = (text: string, word: string, lead?: number) => {
  const start = text.indexOf(word);
  const marks = start < 0 ? [] : [[start, start + word.length]];
  return renderToStaticMarkup(<Marked text={text} marks={marks} lead={lead} />).replace(
    / class="[^"]*"/g,
    "",
  );
};

test("words that were looked for are marked; a line that will be cut begins a little before the first", () => {
  const text = "The lower layer is dark and old, and below it the water stands all year";
  expect(shown(text, "water")).toBe(text.replace("water", "<mark>water</mark>"));
  expect(shown(text, "water", 12)).toBe("… it the <mark>water</mark> stands all year");
  expect(shown(text, "lower", 12)).toBe(text.replace("lower", "<mark>lower</mark>"));
  expect(shown(text, "nowhere", 12)).toBe(text);
  // Where there is no blank, right at it.
  expect(shown("一番下の層は暗くて古い水の中", "水", 4)).toBe("… <mark>水</mark>の中");
});
