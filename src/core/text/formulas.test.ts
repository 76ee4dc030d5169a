import { parseHTML } from "linkedom";
import { parse, serialize } from "parse5";
import fc from "fast-check";
import { expect, test } from "vitest";
import { makeReadingCopy } from "../page/reading-copy";
import { FORMULA, withoutFormulas } from "./formulas";
import { sanitise } from "./sanitise";

const SQUARE = `<math display="block"><mrow><msup><mi mathvariant="normal">x</mi><mn>2</mn></msup><mo stretchy="false">=</mo><mfrac><mn>1</mn><mn>4</mn></mfrac></mrow></math>`;

test("a formula stays as it is where it is asked for, and is nothing elsewhere", () => {
  expect(sanitise(SQUARE, { formulas: true })).toBe(SQUARE);
  expect(sanitise(`<p>So ${SQUARE}.</p>`)).toBe("<p>So .</p>");
  expect(withoutFormulas(`<p>So ${SQUARE}.</p>`)).toBe("<p>So x2=14.</p>");
});

test.each([
  [
    "its source",
    `<math><semantics><mi>x</mi><annotation encoding="application/x-tex">x</annotation></semantics></math>`,
    "<math><semantics><mi>x</mi></semantics></math>",
  ],
  [
    "a link",
    `<math href="javascript:alert(1)"><mi xlink:href="javascript:alert(1)">x</mi></math>`,
    "<math><mi>x</mi></math>",
  ],
  [
    "what happens by itself",
    `<math><maction actiontype="statusline" onclick="alert(1)"><mi style="x">x</mi></maction></math>`,
    "<math><mi>x</mi></math>",
  ],
])("%s of it goes", (_, html, clean) => expect(sanitise(html, { formulas: true })).toBe(clean));

/** What a browser makes of a piece of HTML, by the standard: elements that stand in it, with their attributes. */
function elementsOf(html: string): string[] {
  const { document } = parseHTML(serialize(parse(`<body>${html}`)));
  return [...document.querySelectorAll("body *")].map(
    (one) => `${one.localName} ${[...one.attributes].map(({ name }) => name).join(" ")}`,
  );
}

test("whatever is put into a formula, and formulas into whatever, nothing comes of it that is not on the list", () => {
  const pieces = [
    ...[
      "<math>",
      "</math>",
      "<mtext>",
      "</mtext>",
      "<mglyph>",
      "<malignmark>",
      "<table>",
      "<annotation-xml encoding=text/html>",
    ],
    ...[
      "<style>",
      "</style>",
      "<!--",
      "-->",
      "<svg>",
      "<title>",
      "<img src=x onerror=alert(1)>",
      "<p>",
      "<mi>x",
      "&lt;img src=x&gt;",
    ],
    ...[
      "<desc>",
      "<foreignObject>",
      `<a title="</mtext><img src=x onerror=alert(1)>">`,
      "<mo>",
      "<textarea>",
      "<script>alert(1)</script>",
    ],
  ];
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...pieces), { minLength: 1, maxLength: 12 }), (parts) => {
      const clean = sanitise(parts.join(""), { formulas: true });
      // Also what is made of it when it is cleaned once more, as what comes back with an archive is.
      for (const html of [clean, sanitise(clean, { formulas: true })])
        for (const one of elementsOf(html))
          expect(one).not.toMatch(
            /^(img|style|script|svg|title|mglyph|malignmark|textarea|annotation)| on|srcdoc/,
          );
    }),
    { numRuns: 500 },
  );
});

const prose =
  "The water table is measured against a fixed point, twice a day, and the peat moves with it. ".repeat(6);

test("a reading copy has the formulas of its page, each once", () => {
  const page = (formula: string) =>
    `<html><body><article><h1>Storage</h1><p>${prose}</p><p>The storage is ${formula} of it.</p><p>${prose}</p></article></body></html>`;
  const math = `<math><mi>S</mi><mo>=</mo><mi>V</mi></math>`;
  for (const formula of [
    math,
    `<span><span style="display: none">${math}</span><img src="/f.svg" aria-hidden="true" alt="S = V"></span>`,
    `<span class="set"><span class="ear">${math}</span><span aria-hidden="true"><b>S</b>=<b>V</b></span></span>`,
  ]) {
    const copy = makeReadingCopy(page(formula), "https://bog.example/storage")!;
    expect(copy.html.match(/<math/g)).toHaveLength(1);
    expect(copy.text).toContain("The storage is S=V of it.");
  }
});

test("the list has nothing that sets text of its own accord or leads away", () => {
  for (const name of ["annotation", "annotation-xml", "maction", "mglyph", "malignmark"])
    expect(FORMULA).not.toContain(name);
});
