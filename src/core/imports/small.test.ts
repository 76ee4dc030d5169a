import { atMost, bareLine } from "./brought";
import fc from "fast-check";
import { expect, test } from "vitest";
import { fileName, titleOfFile } from "../formats/file-name";
import { missingFields } from "../cite/reference";
import { asLines, asPlaces } from "./check-lines";
import { betterFields } from "./better-fields";
import { joinNotes } from "./join-notes";
import { noteTitle, workIdentity } from "./identity";
import { asQuotation, passageAddress } from "./quotation";

test("names of files lose folders, control characters and what systems refuse, and keep their ending", () => {
  expect(fileName("../../etc/passwd")).toBe("passwd");
  expect(fileName('C:\\temp\\a<b>:"c|?*.pdf')).toBe("a b c .pdf");
  expect(fileName("\u202egpj.exe\u0000")).toBe("gpj.exe");
  expect(fileName("...")).toBe("file");
  expect(titleOfFile("Dipwell_sheet+2.final.pdf")).toBe("Dipwell sheet 2.final");
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 0x10ffff }), { maxLength: 400 }), (points) => {
      const name = fileName(String.fromCodePoint(...points));
      expect(name.length).toBeGreaterThan(0);
      expect(name.length).toBeLessThanOrEqual(120);
      expect(name).not.toMatch(/[\\/:*?"<>|\p{Cc}]/u);
    }),
  );
});

test("lines and places from outside: anything becomes something safe or is refused, never throws", () => {
  fc.assert(
    fc.property(fc.array(fc.object({ maxDepth: 2 }), { maxLength: 20 }), fc.nat(5), (raw, places) => {
      for (const line of asLines(raw, places)!) {
        expect(line.place === null || (line.place >= 0 && line.place < places)).toBe(true);
        expect(typeof line.address).toBe("string");
      }
      asPlaces(raw);
    }),
  );
  expect(asLines("no list", 0)).toBeNull();
  expect(asPlaces([{ title: "A" }, { title: "B", parent: 5 }])).toBeNull();
  expect(
    asPlaces([
      { title: "S", section: true },
      { title: "B", parent: 0 },
    ]),
  ).toBeNull();
});

test("a merge takes what is missing and what was typed, and never loses what was typed here", () => {
  const kept = { title: "Ours", description: "", authors: [], details: { publisher: "P" }, typed: ["title"] };
  const gone = {
    title: "Theirs",
    description: "About it",
    authors: ["Ada"],
    details: { publisher: "Q", ISBN: "1" },
    typed: ["title", "authors"],
  };
  expect(betterFields(kept, gone)).toEqual({
    description: "About it",
    authors: ["Ada"],
    details: { publisher: "P", ISBN: "1" },
    typed: ["title", "authors"],
  });
  expect(betterFields(kept, { typed: [], title: "", authors: [] })).toEqual({});
});

test("of two notes on one thing nothing is lost and nothing is said twice", () => {
  expect(joinNotes("", "Ask Ines for the raw data")).toBe("Ask Ines for the raw data");
  expect(joinNotes("Ask Ines", "Well four was dry")).toBe("Ask Ines\n\nWell four was dry");
  expect(joinNotes("Ask Ines\n\nWell four was dry", "Well four was dry ")).toBe(
    "Ask Ines\n\nWell four was dry",
  );
  const merged = betterFields({ typed: [], notes: "Ask Ines" }, { typed: [], notes: "Dry in May" });
  expect(merged).toEqual({ notes: "Ask Ines\n\nDry in May" });
  expect(betterFields({ typed: [], notes: "Ask Ines" }, { typed: [], notes: "" })).toEqual({});
});

test("what makes a work itself: DOI, then ISBN, then title, first author and year; a chapter is not its book", () => {
  const book = { type: "book" as const, fields: { ISBN: "978-0-306-40615-7" } };
  expect(workIdentity("A", book)).toBe(
    workIdentity("Another title", { ...book, fields: { ISBN: "9780306406157" } }),
  );
  expect(workIdentity("A", { ...book, type: "chapter" })).not.toBe(
    workIdentity("B", { ...book, type: "chapter" }),
  );
  expect(workIdentity("Élan", { type: null, fields: {}, authors: ["Ada"], published: "1987-02" })).toBe(
    workIdentity("elan", { type: null, fields: {}, authors: ["ada"], published: "1987" }),
  );
  expect(missingFields("article-journal", (field) => field === "authors")).toEqual([
    "Date",
    "Published in",
    "Volume",
    "Pages",
  ]);
});

/** Text Fragments, https://wicg.github.io/scroll-to-text-fragment/#syntax: dash and comma are encoded, a range has two ends. */
test("the address of a passage, and a title for a note", () => {
  expect(passageAddress("https://bog.example/a#top", { exact: "well-four, five" })).toBe(
    "https://bog.example/a#:~:text=well%2Dfour%2C%20five",
  );
  const long = Array.from({ length: 60 }, (_, i) => `w${i}`).join(" ");
  expect(passageAddress("https://bog.example/", { exact: long })).toBe(
    "https://bog.example/#:~:text=w0%20w1%20w2%20w3%20w4%20w5,w54%20w55%20w56%20w57%20w58%20w59",
  );
  expect(asQuotation({ exact: 5, prefix: "p".repeat(99) }, "said")).toEqual({
    type: "TextQuoteSelector",
    exact: "said",
    prefix: "p".repeat(64),
    suffix: "",
  });
  expect(noteTitle("  One line\nand another")).toBe("One line");
  expect(noteTitle("word ".repeat(40))).toMatch(/^(word ?){15,16}…$/);
});

test("of more lines than are taken at once the others are named", () => {
  const lines = Array.from({ length: 7 }, (_, i) =>
    bareLine(i === 6 ? "" : `https://bog.example/${i}`, { title: "T" }),
  );
  const whole = {
    places: [],
    lines,
    passedOver: [{ text: "x", why: "broken" as const }],
    separator: "comma" as const,
  };
  expect(atMost(whole, 7)).toBe(whole);
  const { lines: taken, passedOver } = atMost(whole, 5);
  expect(taken).toHaveLength(5);
  expect(passedOver).toEqual([
    { text: "x", why: "broken" },
    { text: "https://bog.example/5", why: "beyond" },
    { text: "T", why: "beyond" },
  ]);
});
