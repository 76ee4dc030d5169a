import fc from "fast-check";
import { expect, test } from "vitest";
import { sanitise } from "./sanitise";
import { plainText } from "./plain";
import { xhtmlOf } from "./xhtml";

test.each([
  ["<p>a<p>b", "<p>a</p><p>b</p>"],
  ["words & <b>more</b><p>p</p>", "<p>words &#38; <b>more</b></p><p>p</p>"],
  ["<span><div>a</div>b</span>", "<div><p>a</p></div><p>b</p>"],
  ["<p><ul><li>a</ul></p>", "<ul><li><p>a</p></li></ul>"],
  ["<ul>x<li>a<div>b</div></li></ul>", "<ul><li><p>x</p></li><li><p>a</p><div><p>b</p></div></li></ul>"],
  ['<h1>a</h1><h4 dir="rtl">b</h4>', '<h2>a</h2><h3 dir="rtl">b</h3>'],
  ["<h3>a</h3><h5>b</h5><h4>c</h4><h2>d</h2>", "<h2>a</h2><h3>b</h3><h3>c</h3><h2>d</h2>"],
  [
    '<a href="https://bog.example/ x"><a href="#y">in</a></a>',
    '<p><a href="https://bog.example/%20x"></a>in</p>',
  ],
  ['<a href="#y">in</a> <a href="javascript:x">js</a>', "<p>in js</p>"],
  [
    "<table><caption>c</caption><tr><td>1</td><th>2</th></tr></table>",
    "<p>c</p><table><tbody><tr><td><p>1</p></td><th><p>2</p></th></tr></tbody></table>",
  ],
  ["<dl><dt>t</dt><dd>d</dd></dl>", "<p><b>t</b></p><div><p>d</p></div>"],
  ["<pre>a <b>b</b>\n c</pre>", "<pre>a b\n c</pre>"],
  ["a<br>b<hr>c", "<p>a<br/>b</p><hr/><p>c</p>"],
])("%s", (html, xhtml) => {
  expect(xhtmlOf(html)).toBe(xhtml);
});

test("no word is lost; blocks stand in nothing that holds words only; links are in no links", () => {
  const tag = fc.constantFrom(
    ...[
      "p",
      "div",
      "ul",
      "ol",
      "li",
      "b",
      "a",
      "span",
      "h3",
      "blockquote",
      "td",
      "tr",
      "table",
      "dt",
      "pre",
      "br",
    ],
  );
  const piece = fc.oneof(
    fc.constantFrom("peat", " ", "moss &amp; fen"),
    tag.map((name) => (name === "a" ? `<a href="https://bog.example/">` : `<${name}>`)),
    tag.map((name) => `</${name}>`),
  );
  const bare = (html: string) => plainText(`<p>${html}</p>`).replace(/\s+/g, "");
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 40 }), (parts) => {
      const html = sanitise(parts.join(""));
      const made = xhtmlOf(html);
      // What is astray in a table stands before it.
      const letters = (text: string) => [...bare(text)].sort().join("");
      expect(letters(made)).toBe(letters(html));
      if (!html.includes("<t")) expect(bare(made)).toBe(bare(html));
      const open: string[] = [];
      for (const [, end, name] of made.matchAll(/<(\/?)([a-z\d]+)[^>]*?(?<!\/)>/g)) {
        if (end) expect(open.pop()).toBe(name);
        else {
          if (/^(p|div|ul|ol|li|h\d|blockquote|table|pre)$/.test(name!))
            expect(open.some((one) => /^(p|h\d|pre|a|b|span)$/.test(one))).toBe(false);
          if (name === "a") expect(open).not.toContain("a");
          open.push(name!);
        }
      }
      expect(open).toEqual([]);
    }),
    { numRuns: 300 },
  );
});

test("what is nested ten thousand deep on purpose is written, and its words stay", () => {
  expect(xhtmlOf(`${"<div>".repeat(10_000)}deep`)).toContain("deep");
  expect(xhtmlOf(`${"<b><div>".repeat(5_000)}deep`)).toContain("deep");
});
