import { parseFragment, serialize } from "parse5";
import { expect, test } from "vitest";
import { beginningOf } from "./beginning";

const paragraphs = (count: number) =>
  Array.from({ length: count }, (_, i) => `<p>Peat <em>grows</em><br />slowly ${i}.</p>`).join("");
const words = (html: string) => html.replace(/<[^>]*>/g, "");
/** As a parser by the standard writes it again: what is whole in itself is the same. */
const again = (html: string) => serialize(parseFragment(html));

test("a beginning ends with a block and closes what stands around it", () => {
  const html = `<div><section>${paragraphs(100)}</section></div>`;
  const begin = beginningOf(html, 500);
  expect(begin.length).toBeLessThan(600);
  expect(begin).toMatch(/\.<\/p><\/section><\/div>$/);
  expect(again(begin)).toBe(again(begin).replaceAll("<br />", "<br>"));
  expect(words(html).startsWith(words(begin))).toBe(true);
});

test("what is little longer is given whole", () => {
  const html = paragraphs(10);
  expect(beginningOf(html, 300)).toBe(html);
});

test("a single line without an end is torn after a word, and takes no longer when it is longer", () => {
  const line = `<pre><code>${"moss &amp; <b>peat</b> ".repeat(50_000)}</code></pre>`;
  const begin = beginningOf(line, 1_000);
  expect(begin.length).toBeLessThan(2_100);
  expect(begin).toMatch(/<\/code><\/pre>$/);
  expect(words(line).startsWith(words(begin))).toBe(true);
  expect(again(begin)).toBe(begin);
  expect(beginningOf(`<p>${"x".repeat(9_000)}</p>`, 100)).toHaveLength(9_007);
});
