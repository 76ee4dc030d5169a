import fc from "fast-check";
import { expect, test } from "vitest";
import { tagName } from "../tags/tag-name";
import type { PublishedItem, PublishedTree } from "../publish/model";
import { readBookmarks } from "./bookmarks-read";
import { writeBookmarks } from "./bookmarks-write";
import type { ImportedFolder, ImportedLink } from "./imported";

const line = fc
  .string({ unit: "grapheme", minLength: 1, maxLength: 40 })
  .map((s) => s.replace(/\s+/g, " ").trim() || "x");
const tagWords = line.map((s) => tagName(s.replace(/;/g, " ")) ?? "tag");
const time = fc.integer({ min: 1, max: 2_000_000_000 }).map((s) => new Date(s * 1000));

const item = fc
  .record({
    title: line,
    heading: fc.option(line, { nil: "" }),
    context: fc.option(line, { nil: "" }),
    path: fc.webPath(),
    tag: tagWords,
    addedAt: time,
    same: fc.boolean(),
  })
  .map(({ path, tag, same, ...rest }): PublishedItem => ({
    ...rest,
    // A heading of its own that says what the title says comes back too.
    heading: same ? rest.title : rest.heading,
    id: "1",
    kind: "page",
    look: "item",
    description: "",
    address: `https://bog.example${path}`,
    host: "bog.example",
    siteName: "",
    authors: [],
    published: null,
    minutes: 3,
    pages: null,
    tags: [tag],
    picture: null,
    player: null,
    language: null,
    quotation: null,
    copy: null,
    isPdf: false,
    file: null,
  }));
const collection = (
  title: string,
  description: string,
  items: PublishedItem[],
  sections: PublishedItem[][],
): PublishedTree => ({
  collection: {
    id: "c",
    title,
    description,
    rich: "",
    cover: null,
    teamName: "T",
    use: null,
    audience: "team",
    view: "rows",
    createdAt: new Date(5000),
    updatedAt: new Date(9000),
    inside: [],
    way: null,
    language: "",
    framedBy: "*",
    sections: [
      { id: null, title: "", intro: "", items },
      ...sections.map((list, i) => ({ id: `s${i}`, title: `Section ${i}`, intro: "", items: list })),
    ],
  },
  inside: [],
});

const asImported = (one: PublishedItem): ImportedLink => ({
  type: "link",
  address: one.address,
  title: one.title,
  heading: one.heading,
  context: one.context,
  tagText: one.tags.join(","),
  addedAt: one.addedAt,
});

test("whatever is written comes back: folders, sections, order, tags, times, headings, context lines", () => {
  fc.assert(
    fc.property(
      line,
      fc.option(line, { nil: "" }),
      fc.array(item, { maxLength: 5 }),
      fc.array(fc.array(item, { maxLength: 4 }), { maxLength: 3 }),
      (title, about, items, sections) => {
        const inner = collection("Inner", "", items, []);
        const tree = { ...collection(title, about, items, sections), inside: [inner] };
        const { root, passedOver } = readBookmarks(writeBookmarks(tree));
        expect(passedOver).toEqual([]);
        expect(root.children).toHaveLength(1);
        const folder = root.children[0] as ImportedFolder;
        expect(folder).toMatchObject({ title, description: about, section: false, addedAt: new Date(5000) });
        expect(folder.children).toEqual([
          ...items.map(asImported),
          ...sections.map((list, i) => ({
            type: "folder",
            title: `Section ${i}`,
            description: "",
            section: true,
            addedAt: null,
            children: list.map(asImported),
          })),
          {
            type: "folder",
            title: "Inner",
            description: "",
            section: false,
            addedAt: new Date(5000),
            children: items.map(asImported),
          },
        ]);
      },
    ),
  );
});

test("a file as old browsers write it: upper case, unclosed tags, folders in folders, scripts among the links", () => {
  const { root, passedOver } = readBookmarks(`<!DOCTYPE NETSCAPE-Bookmark-file-1>
<H1>Bookmarks</H1>
<DL><p>
  <DT><H3 ADD_DATE="1700000000" PERSONAL_TOOLBAR_FOLDER="true">Toolbar</H3>
  <DD>What I use daily
  <DL><p>
    <DT><A HREF="https://a.example/?x=1&amp;y=2" ADD_DATE="1700000001" TAGS="water table,moss">A &amp; B</A>
    <DD>first line
second line
    <HR>
    <DT><H3>Inner</H3>
    <DL><p>
      <DT><A HREF="javascript:alert(1)">no</A>
      <DT><A HREF="http://b.example/">B</A>
    </DL><p>
    <DT><A HREF="http://c.example/">C</A>
  </DL><p>
  <DT><A HREF="http://d.example/">D</A>
</DL><p>`);
  expect(passedOver).toEqual([{ text: "no javascript:alert(1)", why: "not-web" }]);
  expect(root.title).toBe("Bookmarks");
  const [toolbar, d] = root.children as [ImportedFolder, ImportedLink];
  expect(toolbar).toMatchObject({
    title: "Toolbar",
    description: "What I use daily",
    addedAt: new Date(1_700_000_000_000),
  });
  expect(toolbar.children).toMatchObject([
    {
      address: "https://a.example/?x=1&y=2",
      title: "A & B",
      tagText: "water table,moss",
      context: "first line\nsecond line",
    },
    { title: "Inner", children: [{ address: "http://b.example/", context: "" }] },
    { title: "C" },
  ]);
  expect(d.title).toBe("D");
});

test("marks within words are words; times count from 1970 or from 1601", () => {
  const { root } = readBookmarks(`<!DOCTYPE NETSCAPE-Bookmark-file-1><DL><p>
<DT><A HREF="https://a.example/" ADD_DATE="13240000000000000">Peat<br>and <b>water</b></A><DD>One<br>two <i>three</i>
<DT><A HREF="https://b.example/" ADD_DATE="1600000000">B</A>
</DL>`);
  expect(root.children).toMatchObject([
    { title: "Peat and water", context: "One\ntwo three", addedAt: new Date("2020-07-23T17:46:40Z") },
    { title: "B", addedAt: new Date(1_600_000_000_000) },
  ]);
});
