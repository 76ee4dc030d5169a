import fc from "fast-check";
import { Parser } from "htmlparser2";
import { expect, test } from "vitest";
import { html } from "./html";

/** Text and attributes of a piece of HTML, as a parser reads them. */
function read(markup: string) {
  let text = "";
  const attributes: Record<string, string>[] = [];
  const parser = new Parser(
    { ontext: (part) => void (text += part), onopentag: (_, found) => void attributes.push(found) },
    { decodeEntities: true },
  );
  parser.end(markup);
  return { text, attributes };
}

test("whatever text is put in comes out as that text, in content and in either kind of quotes", () => {
  fc.assert(
    fc.property(fc.string({ unit: fc.constantFrom(..."&<>\"'`=/;#x a\näß沼😀") }), (text) => {
      const { text: seen, attributes } = read(html`<p title="${text}" lang='${text}'>${text}</p>`.text);
      expect(seen).toBe(text);
      expect(attributes).toEqual([{ title: text, lang: text }]);
    }),
  );
});

test("only what another template made is markup; lists are joined, nothing is nothing", () => {
  const items = ["<i>", "b"].map((text) => html`<li>${text}</li>`);
  expect(html`<ul>${items}</ul>`.text).toBe("<ul><li>&lt;i&gt;</li><li>b</li></ul>");
  expect(html`${null}${undefined}${false}${0}${[]}`.text).toBe("0");
  expect(html`${"<b>"}${html`<b>`}`.toString()).toBe("&lt;b&gt;<b>");
});
