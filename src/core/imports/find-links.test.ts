import { expect, test } from "vitest";
import { findLinks } from "./find-links";

/** How long each text is, in characters: whatever looks twice at all of it takes minutes over one of these. */
const LONG = 300_000;
const times = (part: string) => Math.floor(LONG / part.length);
const LINE = "See https://bog.example/page for more.\n";
const BROKEN = `https://bog.example/${"a".repeat(60)}/\n1.html `;
const OPEN = "<https://bog.example/\na ";

test.each([
  ["addresses, a line each", LINE, times(LINE)],
  ["addresses on one line", "https://bog.example/page ", times("https://bog.example/page ")],
  ["addresses without a blank between them", "https://bog.example/page", 0],
  ["what a Markdown link begins with", "[a](", 0],
  ["brackets", "[", 0],
  ["what is no address yet", "http :/", 0],
  ["addresses broken over two lines", BROKEN, times(BROKEN)],
  ["addresses in brackets that do not close", OPEN, times(OPEN)],
  ["blanks and breaks", " \n", 0],
])("a long text of %s is gone through once", (_, part, count) => {
  expect(findLinks(part.repeat(times(part))).links).toHaveLength(count);
});

test("nor does one address with brackets that close nothing, or one behind many words, take longer", () => {
  expect(findLinks(`https://bog.example/${")".repeat(LONG)}`).links.map((one) => one.address)).toEqual([
    "https://bog.example/",
  ]);
  expect(findLinks(`${"peat ".repeat(LONG / 5)}https://bog.example/`).links).toHaveLength(1);
});

test("however long the line, the words before an address are its title, and of several on a line only the first's", () => {
  const { links } = findLinks("The water table: https://bog.example/a and https://bog.example/b\n".repeat(2));
  expect(links.map((one) => one.title)).toEqual(["The water table", "", "The water table", ""]);
});

test("an address that mail broke over two lines is one, and a line that ends with one stays one", () => {
  const start = `Read https://bog.example/${"a".repeat(50)}/part-`;
  expect(findLinks(`${start}\ntwo.html next week`).links.map((one) => one.address)).toEqual([
    `https://bog.example/${"a".repeat(50)}/part-two.html`,
  ]);
  expect(findLinks(`${start}one\nNext week we meet`).links[0]!.address).toMatch(/part-one$/);
});
