import { expect, test } from "vitest";
import { makeReadingCopy } from "./reading-copy";

const TEXT = "The water of a bog stands high in winter and falls in summer, as every dipwell shows. ".repeat(
  8,
);
const BODY = `<p>${TEXT}</p>`.repeat(4);

/** HTML standard, "optional tags": html, head and body may be left out; browsers read on whatever stands before them. */
test.each([
  ["whole", `<!doctype html><html><head><title>T</title></head><body>${BODY}</body></html>`],
  ["without head and body", `<!doctype html><title>T</title><h1>T</h1>${BODY}`],
  ["without body", `<!doctype html><html><head><title>T</title></head><h1>T</h1>${BODY}</html>`],
  [
    "with something before it",
    `<div>before</div><!doctype html><html><head></head><body>${BODY}</body></html>`,
  ],
  [
    "a second html wipes nothing",
    `<html><head></head><body>${BODY}<html><body>more</body></html></body></html>`,
  ],
  [
    "nothing is closed",
    `<!doctype html><html><title>T</title><body><p>${TEXT}<p>${TEXT}<p>${TEXT}<p>${TEXT}`,
  ],
])("a page %s gets its reading copy", (_, html) => {
  const copy = makeReadingCopy(html, "https://bog.example/a")!;
  expect(copy.text.split(TEXT.trim())).toHaveLength(5);
});
