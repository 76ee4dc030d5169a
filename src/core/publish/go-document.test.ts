import { createContext, runInContext } from "node:vm";
import fc from "fast-check";
import { expect, test } from "vitest";
import { LETTERS } from "../share/code";
import { readShortCode, shortCode } from "../share/short-code";
import { GO_SCRIPT, goDocument, sayWrong } from "./go-document";

/** The check in the page, without a page. */
function inPage(): (typed: string) => string {
  const field = { addEventListener: () => {}, value: "" };
  const form = { code: field, addEventListener: () => {} };
  const self: { hobbinWrong?: (typed: string) => string } = {};
  const document = { forms: [form], getElementById: () => ({ textContent: "" }) };
  runInContext(GO_SCRIPT, createContext({ document, self }));
  return self.hobbinWrong!;
}

test("the page says of a code what the server would say", () => {
  const wrong = inPage();
  const serverSays = (typed: string) => {
    const read = readShortCode(typed);
    return "code" in read ? "" : sayWrong(read);
  };
  const bytes = fc.uint8Array({ minLength: 128, maxLength: 128 });
  fc.assert(fc.property(bytes, (random) => wrong(` ${shortCode(random).toUpperCase()}`) === ""));
  const letter = fc.constantFrom(...LETTERS, "o", "0", " ", "-", "С", "х", "ß", "沼");
  fc.assert(
    fc.property(
      fc.string({ unit: letter, maxLength: 9 }),
      (typed) => void expect(wrong(typed)).toBe(serverSays(typed)),
    ),
    { numRuns: 2_000 },
  );
});

test("what was typed stays text, and nothing is loaded from anywhere else", () => {
  const page = goDocument(`"><script>alert(1)</script>`, "<b>", "/fonts");
  expect(page.match(/<script/g)).toHaveLength(1);
  expect(page).toContain("&lt;b&gt;");
  expect(page).not.toMatch(/ (src|href)=/);
});
