import { expect, test } from "vitest";
import { PageText } from "./page-text";

/** The words of a page, as they lie over its picture: a piece for each run of letters, a break at the end of a line. */
function layerOf(...lines: string[][]): HTMLElement {
  const layer = document.createElement("div");
  for (const pieces of lines) {
    for (const piece of pieces) {
      const span = document.createElement("span");
      span.textContent = piece;
      layer.append(span);
    }
    layer.append(document.createElement("br"));
  }
  return layer;
}
const found = (page: PageText, exact: string, prefix = "", suffix = "") => {
  const range = page.find({ exact, prefix, suffix });
  return (
    range && [
      range.startContainer.textContent,
      range.startOffset,
      range.endContainer.textContent,
      range.endOffset,
    ]
  );
};

test("words are found over pieces and lines, whatever blanks another reader of the file set", () => {
  const page = new PageText(
    layerOf(["The wa", "ter table"], ["falls in sum", "mer."], ["It falls in autumn."]),
  );
  expect(page.text).toBe("The water table\nfalls in summer.\nIt falls in autumn.\n");
  expect(found(page, "water  table falls", "The")).toEqual(["The wa", 4, "falls in sum", 5]);
  expect(found(page, "sum\u00admer", "falls in")).toEqual(["falls in sum", 9, "mer.", 3]);
  expect(found(page, "falls in", "summer.\nIt ")).toEqual([
    "It falls in autumn.",
    3,
    "It falls in autumn.",
    11,
  ]);
  // The same few words on another page are others.
  expect(found(page, "falls in", "On the next page it ", " spring")).toBeNull();
});

test("a place in a piece is a place in the words; one of another page is none", () => {
  const layer = layerOf(["moss", "es"], ["peat"]);
  const page = new PageText(layer);
  const [, second, , third] = layer.childNodes;
  expect(page.placeOf(second!.firstChild!, 1)).toBe(5);
  expect(page.placeOf(third!.firstChild!, 0)).toBe(7);
  expect(page.placeOf(document.createTextNode("x"), 0)).toBeNull();
});
