import { describe, expect, test } from "vitest";
import type { ImportedFolder, ImportedLink } from "../formats/imported";
import { layOut } from "./brought";
import { findLinks, outlineText } from "./find-links";
import { outlineHtml } from "./outline-html";
import { decodeText, readAny } from "./read-any";
import { findSeparator, splitTags } from "./split-tags";

const addresses = (text: string) => findLinks(text).links.map((link) => link.address);
const LONG = "https://bog.example/reports/2024/the-water-table-in-the-second-dry-summer";

describe("links in plain text", () => {
  test.each([
    ["bare, with a full stop", "See https://bog.example/a. Then go.", ["https://bog.example/a"]],
    [
      "in brackets",
      "(https://bog.example/a_(b)) and <https://bog.example/c>",
      ["https://bog.example/a_(b)", "https://bog.example/c"],
    ],
    ["without a scheme", "go to www.bog.example/a, please", ["https://www.bog.example/a"]],
    ["Markdown", "[The bog](https://bog.example/a_(b)) is wet", ["https://bog.example/a_(b)"]],
    [
      "broken by mail in angle brackets",
      "<https://bog.example/one/\ntwo?x=1>",
      ["https://bog.example/one/two?x=1"],
    ],
    ["broken by mail, bare", `${LONG}/in-\nthe-north/page.html and more`, [`${LONG}/in-the-north/page.html`]],
    ["soft breaks of quoted-printable", "https://bog.example/a=\nb/c", ["https://bog.example/ab/c"]],
    [
      "two on one line stay two",
      "https://bog.example/a https://bog.example/b",
      ["https://bog.example/a", "https://bog.example/b"],
    ],
    [
      "a short line is not joined with the next word",
      "https://bog.example/a\nb/c",
      ["https://bog.example/a"],
    ],
    ["quotes around", "“https://bog.example/ü”", ["https://bog.example/%C3%BC"]],
    [
      "scripts that put no blank behind a mark",
      "見て（https://bog.example/a）、「https://bog.example/b」と https://bog.example/湿地。https://bog.example/c，然后",
      [
        ...["https://bog.example/a", "https://bog.example/b"],
        ...["https://bog.example/%E6%B9%BF%E5%9C%B0", "https://bog.example/c"],
      ],
    ],
    [
      "as the source of a page, TeX and code have it",
      "`https://bog.example/a` https://bog.example/?b=1&amp;c=2 \\url{https://bog.example/d\\_e}",
      ["https://bog.example/a", "https://bog.example/?b=1&c=2", "https://bog.example/d_e"],
    ],
  ])("%s", (_, text, expected) => expect(addresses(text)).toEqual(expected));

  test("what stands around an address and is no word is no title", () => {
    const titles = (text: string) => findLinks(text).links.map((link) => link.title);
    expect(
      titles("（https://bog.example/b）\n(see https://bog.example/c)\n[1] https://bog.example/d..."),
    ).toEqual(["", "see", ""]);
    expect(titles("Bog (north): https://bog.example/e")).toEqual(["Bog (north)"]);
  });

  test("slips are reported as they stand", () => {
    expect(findLinks("htp://bog.example and http://bog and https//bog.example/x").malformed).toEqual([
      "htp://bog.example",
      "http://bog",
      "https//bog.example/x",
    ]);
  });

  test("words before an address or on the line above are its title, headings above propose sections", () => {
    const { root } = outlineText(
      "Week 1:\nThe water table – https://bog.example/a\n\nPeat and fire\nhttps://bog.example/b\n\n## Later\n1. https://bog.example/c\n",
    );
    const [one, two] = root.children as ImportedFolder[];
    expect(one).toMatchObject({ title: "Week 1", section: true });
    expect(one!.children).toMatchObject([
      { address: "https://bog.example/a", title: "The water table" },
      { address: "https://bog.example/b", title: "Peat and fire" },
    ]);
    expect(two).toMatchObject({ title: "Later", children: [{ address: "https://bog.example/c" }] });
  });
});

test("a long line is not joined with a next one that begins anew", () => {
  expect(addresses(`${LONG}\n(https://bog.example/c)`)).toEqual([LONG, "https://bog.example/c"]);
});

test("rich text: headings, link text, words beside a link, bare addresses, no scripts, no mail addresses", () => {
  const found = outlineHtml(`<html><head><style>a{}</style></head><body><h1>Reading list</h1>
    <p>Start with <a href="https://bog.example/a">the water table</a>, before the practical.</p>
    <h2>Films</h2><ul><li><a href="https://bog.example/b">https://bog.example/b</a></li><li>Bare: https://bog.example/c</li></ul>
    <a href="mailto:a@b.example">write</a><script>document.write("https://evil.example/")</script></body>`);
  expect(found.root.title).toBe("Reading list");
  expect(found.root.children).toMatchObject([
    {
      address: "https://bog.example/a",
      title: "the water table",
      context: "Start with , before the practical.",
    },
    {
      title: "Films",
      section: true,
      children: [
        { address: "https://bog.example/b", title: "" },
        { address: "https://bog.example/c", title: "Bare" },
      ],
    },
  ]);
  expect(found.passedOver).toEqual([{ text: "write mailto:a@b.example", why: "not-web" }]);
});

test.each([
  ["commas", ["water table,moss", "fire"], "comma", ["water table", "moss"]],
  [
    "blanks, since the words change their company",
    ["bog moss", "moss water", "water bog", "fire"],
    "space",
    ["bog", "moss"],
  ],
  [
    "blanks inside names, since the words stay together",
    ["water table", "water table", "peat"],
    "comma",
    ["water table"],
  ],
  ["semicolons", ["water table; moss"], "semicolon", ["water table", "moss"]],
  ["bars", ["water table|moss"], "bar", ["water table", "moss"]],
] as const)("tags separated by %s", (_, texts, separator, first) => {
  expect(findSeparator(texts)).toBe(separator);
  expect(splitTags(texts[0], separator)).toEqual(first);
});

describe("tables", () => {
  test("semicolons, quotes, a head in other words, a path of folders", () => {
    const { format, file, table } = readAny(
      "list.csv",
      'Name;Link;Keywords;Folder;Notes;Date added\r\n"Peat; and fire";https://bog.example/a;water table,moss;Course / Unit 1;"Two\nlines";2024-03-09\r\n;https://bog.example/b;;Course / Unit 2;;\r\n;;;;;\r\n',
    );
    expect(format).toBe("table");
    expect(table!.delimiter).toBe(";");
    expect(table!.meanings).toEqual(["title", "address", "tags", "collection", "note", "date"]);
    const { places, lines } = layOut(file, "list");
    expect(places.map(({ title, parent }) => [title, parent])).toEqual([
      ["Course", null],
      ["Unit 1", 0],
      ["Unit 2", 0],
    ]);
    expect(lines).toMatchObject([
      {
        title: "Peat; and fire",
        tagText: "water table,moss",
        context: "Two\nlines",
        addedAt: "2024-03-09T00:00:00.000Z",
        place: 1,
      },
      { address: "https://bog.example/b", place: 2 },
    ]);
  });

  test("no head at all: the column with addresses is found, the other is the title", () => {
    const { table } = readAny("x.tsv", "Peat\thttps://bog.example/a\nFire\thttps://bog.example/b\n");
    expect(table).toMatchObject({
      delimiter: "\t",
      meanings: ["title", "address"],
      columns: ["Column 1", "Column 2"],
    });
  });
});

test("the format is known by what stands in the text, not by the file's name", () => {
  const of = (text: string, name = "file.txt") => readAny(name, text).format;
  expect(of("<!DOCTYPE NETSCAPE-Bookmark-file-1><DL><p></DL>")).toBe("bookmarks");
  expect(of('<?xml version="1.0"?><opml version="2.0"><body/></opml>')).toBe("opml");
  expect(of("TY  - JOUR\nTI  - x\nER  - \n")).toBe("ris");
  expect(of("@book{x, title={y}}")).toBe("bibtex");
  expect(of('[{"type":"book","title":"x"}]')).toBe("csl-json");
  expect(of("# List\n[a](https://bog.example)", "list.md")).toBe("markdown");
  expect(of("just words")).toBe("text");
});

test("a tree laid out flat keeps sections in their collections and gives loose links a place of their own", () => {
  const { file } = readAny(
    "list.md",
    "# Reading\n\n[A](https://bog.example/a)\n\n## Week 1\n\n1. [B](https://bog.example/b)\n\n   Read this first.\n",
  );
  const { places, lines } = layOut(file, "list");
  expect(places).toMatchObject([
    { title: "Reading", section: false, parent: null },
    { title: "Week 1", section: true, parent: 0 },
  ]);
  expect(lines).toMatchObject([
    { title: "A", place: 0 },
    { title: "B", place: 1, context: "Read this first." },
  ]);
  expect((file.root.children[0] as ImportedLink).address).toBe("https://bog.example/a");
});

test("bytes become text by mark, by being valid UTF-8, else as Western European", () => {
  expect(decodeText(Uint8Array.of(0xff, 0xfe, 0x41, 0x00))).toBe("A");
  expect(decodeText(new TextEncoder().encode("Möser"))).toBe("Möser");
  expect(decodeText(Uint8Array.of(0x4d, 0xf6, 0x73, 0x65, 0x72))).toBe("Möser");
});
