import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { readPage } from "@/core/page/read-page";
import { makeReadingCopy } from "@/core/page/reading-copy";
import { layOut } from "@/core/imports/brought";
import { decodeText, readAny } from "@/core/imports/read-any";
import { languageOf } from "@/core/text/language-of";
import { readDocument } from "@/outside/documents/read-document";
import { readMessage } from "@/outside/read-message";
import readPlain from "@/outside/threads/read-document-thread";

/*
 * Small files of the kinds people bring in, each for one thing that once came in wrong, under tests/reference/files. They were
 * written by hand after the standards that are named.
 */
const bytes = (name: string) => readFileSync(`tests/reference/files/${name}`);
const read = (name: string) => {
  const { format, file } = readAny(name, decodeText(bytes(name)));
  const { places, lines, passedOver } = layOut(file, "list");
  return { format, places: places.map((place) => place.title), lines, passedOver };
};
const found = (name: string) =>
  read(name).lines.map(({ title, address, tagText, reference, addedAt }) => ({
    ...{ title, address, tags: tagText, authors: reference?.authors ?? [] },
    day: addedAt?.slice(0, 10) ?? null,
  }));

/** RFC 4287; Atom 0.3 and RSS 1.0 as their drafts have them, from memory. */
test.each([
  [
    "atom-links.xml",
    {
      title: "The dam holds",
      address: "https://moor.example/news/dam",
      tags: "Dams",
      authors: ["Rhea Tammik"],
      day: "2026-03-01",
    },
  ],
  [
    "atom-0.3.xml",
    {
      title: "Märzenbecher",
      address: "https://moor.example/maerz",
      tags: "",
      authors: ["Åsa Müller"],
      day: "2004-03-01",
    },
  ],
  [
    "rss-1.0.rdf",
    {
      title: "Frogs",
      address: "https://moor.example/frogs",
      tags: "frogs",
      authors: ["Tomas Lind"],
      day: "2003-03-09",
    },
  ],
  [
    "entry-alone.xml",
    { title: "Alone", address: "https://moor.example/alone", tags: "", authors: [], day: "2026-03-01" },
  ],
])("a feed: %s", (name, entry) => expect(found(`feeds/${name}`)).toEqual([entry]));

/** HTML standard, "determining the character encoding"; XML 1.0, 4.3.3 and appendix F. */
test.each([
  ["shift-jis.html", "水位", "https://moor.example/mire"],
  ["koi8-r.opml", "Болото", "https://moor.example/ru"],
  ["utf-16.txt", "Wälder", "https://moor.example/wald"],
])("an encoding that is declared: %s", (name, title, address) =>
  expect(found(`encodings/${name}`)).toMatchObject([{ title, address }]),
);

test.each([
  [
    "east-asian.txt",
    [
      "https://bog.example/a",
      "https://bog.example/b",
      "https://bog.example/%E6%B9%BF%E5%9C%B0",
      "https://bog.example/c",
    ],
  ],
  ["quoted-printable.txt", ["https://bog.example/a/long/address/that-goes-on?x=1&y=2"]],
  [
    "wrapped-by-mail.txt",
    ["https://bog.example/one/two?x=3", `https://bog.example/${"a".repeat(50)}/in-the-north/page.html`],
  ],
  ["defined-below.txt", ["https://bog.example/map", "https://bog.example/dams"]],
  [
    "tex-and-source.txt",
    ["https://bog.example/a_b", "https://bog.example/c", "https://bog.example/?d=1&e=2"],
  ],
])("links in text: %s", (name, addresses) =>
  expect(found(`links/${name}`).map((one) => one.address)).toEqual(addresses),
);

test("bookmarks: what is none of the web is named, an address stands as it is, each place has its own words", () => {
  const { format, places, lines, passedOver } = read("bookmarks/not-of-the-web.html");
  expect([format, places]).toEqual(["bookmarks", ["Course", "Unit 1"]]);
  expect(lines.map(({ title, address }) => [title, address])).toEqual([
    ["Water", "https://moor.example/water (2019) 'final'.pdf"],
    ["Water, for unit 1", "https://moor.example/water (2019) 'final'.pdf"],
  ]);
  expect(passedOver.map((one) => one.text)).toEqual([
    "Most visited place:sort=8&maxResults=10",
    "A bookmarklet javascript:(function(){document.title='x'})()",
  ]);
});

/** RFC 2045, RFC 2046 §5.1.5 and §5.2.1, RFC 3462. */
test.each([
  ["note-with-letters", "ama@bog.example", "Look at these, for the März unit.", ["Letter 1", "Letter 2"]],
  ["digest", "ama@bog.example", "Today on the list", []],
  ["not-delivered", "postmaster@post.example", "Your message could not be delivered.", []],
  ["strange-type", "ama@bog.example", "Wörter: https://bog.example/a", []],
])("mail: %s", async (name, from, words, letters) => {
  const message = await readMessage(bytes(`mail/${name}.eml`));
  expect(message.from.address).toBe(from);
  expect(message.copy.text).toContain(words);
  expect(message.letters.map((one) => one.subject)).toEqual(letters);
});

describe("pages", () => {
  const copyOf = (name: string) =>
    makeReadingCopy(bytes(`pages/${name}`).toString("utf8"), "https://moor.example/page");

  /** HTML standard, "optional tags", and what its parser does with what is left over. */
  test.each(["no-head-no-body.html", "before-html.html", "two-html.html"])(
    "%s has a reading copy",
    (name) => {
      expect(copyOf(name)!.text).toContain("it is the moss that keeps it there");
    },
  );
  test("a second html element wipes nothing", () => {
    expect(copyOf("two-html.html")!.text).toContain("The second part is here.");
  });
  test("where a page says none, its text tells its language", () => {
    const html = bytes("pages/says-no-language.html").toString("utf8");
    expect(readPage(html, "https://moor.example/page").language).toBeNull();
    expect(languageOf(copyOf("says-no-language.html")!.text)).toBe("de");
  });
});

test("a text that is kept as a file is read by the encoding it has", async () => {
  const read = await readPlain({
    body: Buffer.from("Der Wasserstand im Hochmoor f\xE4llt im M\xE4rz.", "latin1"),
    plain: true,
  });
  expect(read!.copy.text).toBe("Der Wasserstand im Hochmoor fällt im März.");
});

/** Letters of the machine that reads it (PDF 32000-1, 9.7.5.2): without poppler-data there is no text, and no word of it. */
test("Japanese text whose letters are not in the file is read", async () => {
  const { copy } = await readDocument(bytes("documents/letters-not-in-it.pdf"), "x.pdf");
  expect(copy!.text).toContain("湿地の水位は高い");
  expect(languageOf(copy!.text)).toBe("ja");
});
