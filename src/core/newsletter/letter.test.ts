import { expect, test } from "vitest";
import { isMailAddress } from "./mail-address";
import { issueOf, newSince } from "./issue";
import { letterOf } from "./letter";
import { asPublished } from "../editions/as-published";
import type { EditionItem } from "../editions/content";

const item = (id: string, more: Partial<EditionItem> = {}): EditionItem => ({
  ...{ id, kind: "page", heading: "", context: "", look: "item", title: `Title ${id}`, description: "" },
  ...{
    address: `https://bog.example/${id}`,
    host: "bog.example",
    siteName: "",
    authors: [],
    published: null,
  },
  ...{ minutes: 5, pages: null, tags: [], picture: null, player: null, language: null, quotation: null },
  ...{ copy: null, isPdf: false, file: null, text: null, resource: `r-${id}` },
  addedAt: "2026-11-01T08:00:00.000Z",
  ...more,
});
const EVIL = `"><script>alert(1)</script>&`;
const content = {
  form: 1 as const,
  collection: {
    ...{ id: "c", title: "Spring letter", description: "About it", rich: "", cover: null, use: null },
    ...{ teamName: "Lantern Moss", language: "", view: "rows" as const, inside: [] },
    createdAt: "2026-10-01T08:00:00.000Z",
    sections: [
      {
        ...{ id: "s", title: "Wet", intro: "" },
        items: [
          item("a", { context: `Why ${EVIL}` }),
          item("t", { look: "text", description: "Between" }),
          item("b"),
        ],
      },
      { id: "e", title: "Dry", intro: "", items: [item("d")] },
    ],
  },
};

test("an issue has only what is chosen, in its sections, with greeting and closing around", () => {
  const issue = issueOf(
    content,
    new Set(["b"]),
    { greeting: "Hello\nyou", closing: "Bye" },
    "closing",
  ).collection;
  expect(issue.sections.map(({ title, items }) => [title, items.map(({ id }) => id)])).toEqual([
    ["Wet", ["t", "b"]],
    ["", ["closing"]],
  ]);
  expect([issue.description, issue.rich]).toEqual(["Hello\nyou", "<p>Hello<br />you</p>"]);
  const at = (day: number) => ({ id: String(day), look: "item", addedAt: new Date(Date.UTC(2026, 10, day)) });
  expect(newSince([at(1), at(2), at(3)], at(2).addedAt)).toEqual(["3"]);
});

test("a letter carries everything as text and as HTML, with nothing that would be fetched and no script", () => {
  const issue = issueOf(content, new Set(["a", "d"]), { greeting: EVIL, closing: "Bye" }, "closing");
  const collection = asPublished(issue, null, { audience: "link", framedBy: "", keptAt: new Date(0) })!;
  const letter = letterOf(collection, EVIL, {
    site: "https://moss.example",
    file: () => "/f",
    page: "https://moss.example/c/x/e/1",
    leave: "https://moss.example/list/abc",
  });
  expect(letter.html).not.toMatch(/<script|<img|<link|<style|src=|url\(/i);
  for (const said of ["https://bog.example/a", "Title d", "Bye", "https://moss.example/list/abc", "Why"]) {
    expect(letter.html).toContain(said);
    expect(letter.text).toContain(said);
  }
  expect(letter.text).toContain(EVIL);
});

test.each([
  ["sorrel@moss.example", true],
  ["søren.v+bog@moss.example", true],
  ["a@b", false],
  ["a@b.example, c@d.example", false],
  ["a b@moss.example", false],
  ["<a@moss.example>", false],
  ["a..b@moss.example", false],
  [`${"x".repeat(65)}@moss.example`, false],
  ["a@moss.example\nBcc: b@x.example", false],
])("%j could be a mail address: %s", (text, could) => expect(isMailAddress(text)).toBe(could));
