import fc from "fast-check";
import { expect, test } from "vitest";
import { readReferences } from "./references-read";
import type { Work } from "../cite/csl-item";
import { writeReferences, type WrittenReferences } from "./references-write";

/** What means something in one of the formats, and what people write. */
const PARTS = [
  ..."{}\\@,=%#&$~^_\"'-",
  "--",
  "''",
  "``",
  "\n",
  "\r\n",
  "\u2028",
  "ER  - ",
  "TY  - JOUR",
  "TI  - Forged",
  "@article{forged,",
  "title = {Forged}}",
  "Moor",
  "peat",
  "Sphägnum",
  "沼",
  " ",
];
const hostile = fc
  .array(fc.constantFrom(...PARTS), { minLength: 1, maxLength: 6 })
  .map((parts) => `Peat ${parts.join("")} bog`);
const work = fc.record<Work>({
  id: fc.uuid(),
  kind: fc.constantFrom("page", "document", "video"),
  itemType: fc.constantFrom("article-journal", "book", null),
  title: hostile,
  authors: fc.array(hostile, { maxLength: 2 }),
  published: fc.constantFrom(null, "2026", "2026-03-09"),
  language: fc.constant(null),
  address: fc.constant("https://bog.example/"),
  siteName: hostile,
  tags: fc.array(
    hostile.map((tag) => tag.replace(/,/g, " ")),
    { maxLength: 2 },
  ),
  context: hostile,
  details: fc.record({ publisher: hostile }),
});
const SAME = {
  kind: "document",
  itemType: "book",
  title: "Peat",
  authors: ["Ada Mire"],
  published: "2026",
  language: null,
  address: "",
  siteName: "",
  tags: [],
  context: "",
  details: {},
} as const;
const flat = (text: string) => text.replace(/\s+/g, " ").trim();

test.each<WrittenReferences>(["ris", "bibtex", "csl-json"])(
  "whatever titles, names and tags hold, of as many works as go into %s as many come out, each with its title",
  (format) => {
    fc.assert(
      fc.property(fc.array(work, { minLength: 1, maxLength: 3 }), (works) => {
        const written = writeReferences(works, format);
        const titles = readReferences(written, format).root.children.map((one) => flat(one.title));
        expect(titles).toEqual(works.map((one) => flat(one.title)));
      }),
      { numRuns: 100 },
    );
  },
);

test("however long it is, what stands in a field of RIS stands on one line", () => {
  const title = "What becomes of the water table of a raised bog when nobody looks after its dams for years "
    .repeat(4)
    .trim();
  const address = `https://bog.example/${"a".repeat(300)}`;
  const written = writeReferences([{ ...SAME, id: "1", title, address }], "ris");
  expect(written.split("\n")).toEqual(expect.arrayContaining([`TI  - ${title}`, `UR  - ${address}`]));
});

test("works that end alike, by the same people in the same year, have keys of their own", () => {
  const ids = [
    "01990000-0000-7000-8000-000000abcdef",
    "01990001-0000-7000-8000-000000abcdef",
    "01990002-0000-7000-8000-000000abcdef",
  ];
  const keys = [
    ...writeReferences(
      ids.map((id) => ({ ...SAME, id })),
      "bibtex",
    ).matchAll(/@\w+\{([^,]+),/g),
  ].map((one) => one[1]);
  expect(new Set(keys).size).toBe(3);
});
