import { type Node, Parser } from "commonmark";
import fc from "fast-check";
import { expect, test } from "vitest";
import { writeMarkdown } from "@/core/formats/markdown-write";
import type { PublishedItem, PublishedTree } from "@/core/publish/model";

const item = (more: Partial<PublishedItem>): PublishedItem => ({
  id: "1", kind: "page", heading: "", context: "", look: "item", title: "T", description: "", address: "https://bog.example/", host: "bog.example", siteName: "", authors: [],
  published: null, minutes: 3, pages: null, tags: [], picture: null, player: null,
    language: null, quotation: null, copy: null, isPdf: false, file: null, addedAt: new Date(0), ...more,
}); // prettier-ignore
const tree = (title: string, items: PublishedItem[], sections: [string, PublishedItem[]][]): PublishedTree => ({
  collection: {
    id: "c", title, description: "", rich: "", cover: null, teamName: "Team", use: null,
    audience: "team", view: "rows", createdAt: new Date(0), updatedAt: new Date(0), inside: [], way: null, language: "", framedBy: "*",
    sections: [{ id: null, title: "", intro: "", items }, ...sections.map(([name, list], i) => ({ id: `${i}`, title: name, intro: "", items: list }))],
  },
  inside: [],
}); // prettier-ignore

/** All nodes of a type, each with its plain text. */
function nodes(markdown: string, type: string): { text: string; node: Node }[] {
  const found: { text: string; node: Node }[] = [];
  const open: { text: string; node: Node }[] = [];
  const walker = new Parser().parse(markdown).walker();
  for (let step = walker.next(); step; step = walker.next()) {
    if (step.node.type === type && step.entering) open.push({ text: "", node: step.node });
    else if (step.node.type === type) found.push(open.pop()!);
    if (step.entering && (step.node.type === "text" || step.node.type === "code"))
      for (const one of open) one.text += step.node.literal;
    if (step.node.type === "softbreak" && step.entering) for (const one of open) one.text += " ";
  }
  return found;
}

/** CommonMark 0.31 as its reference implementation (the package commonmark) reads it. */
test("headings, links and their numbers come out of the reference parser as they went in", () => {
  const markdown = writeMarkdown(
    tree(
      "Week *3* & [more]",
      [item({ title: "A _title_ <b>", context: "1. Read this\n- then that", tags: ["water table"] })],
      [["At the `bog`", [item({ title: "Second", address: "https://bog.example/a(b)?x=1&y=<2>" })]]],
    ),
  );
  expect(nodes(markdown, "heading").map(({ text, node }) => [node.level, text])).toEqual([
    [1, "Week *3* & [more]"],
    [2, "At the `bog`"],
  ]);
  expect(nodes(markdown, "link").map(({ text, node }) => [text, node.destination])).toEqual([
    ["A _title_ <b>", "https://bog.example/"],
    ["Second", "https://bog.example/a(b)?x=1&y=%3C2%3E"],
  ]);
  expect(nodes(markdown, "item")).toHaveLength(2);
  expect(nodes(markdown, "list").map(({ node }) => node.listStart)).toEqual([1, 2]);
});

test("whatever a title holds, it stays one link with that text", () => {
  const line = fc
    .string({ unit: "grapheme-ascii", minLength: 1, maxLength: 30 })
    .map((text) => text.replace(/\s+/g, " ").trim() || "x");
  fc.assert(
    fc.property(line, line, (title, context) => {
      const markdown = writeMarkdown(tree("T", [item({ title, context })], []));
      expect(nodes(markdown, "link").map(({ text }) => text)).toEqual([title]);
      expect(nodes(markdown, "item")).toHaveLength(1);
      expect(nodes(markdown, "paragraph").map(({ text }) => text)).toContain(context);
    }),
  );
});

test("what is marked in a description comes out of the reference parser as it went in", () => {
  const marked = tree("T", [], []);
  marked.collection.rich =
    '<p>Read <b>all</b> of <a href="https://bog.example/x">it</a></p><ul><li>a *</li><li>b<ol><li>c</li><li>d</li></ol></li></ul><ul><li>- e</li></ul><p>1. f</p>';
  const markdown = writeMarkdown(marked);
  expect(nodes(markdown, "strong").map(({ text }) => text)).toEqual(["all"]);
  expect(nodes(markdown, "link").map(({ text, node }) => [text, node.destination])).toEqual([
    ["it", "https://bog.example/x"],
  ]);
  expect(nodes(markdown, "list").map(({ node }) => node.listType)).toEqual(["ordered", "bullet", "bullet"]);
  expect(nodes(markdown, "item").map(({ text }) => text)).toEqual(["a *", "c", "d", "bcd", "- e"]);
  expect(nodes(markdown, "paragraph").map(({ text }) => text)).toContain("1. f");
});
