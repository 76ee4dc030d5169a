import { expect, test } from "vitest";
import type { EditionCollection, EditionItem } from "../editions/content";
import { collected, type Work } from "./collected";
import type { Written } from "./sheet-view";

const item = (id: string) => ({ id, look: "item", heading: "", title: `Title ${id}` }) as EditionItem;
const given = {
  sections: [{ id: null, title: "", intro: "", items: [item("a"), item("b")] }],
  inside: [],
} as unknown as EditionCollection;
const wrote = (id: string, answer: string, more: Partial<Written> = {}): Written => ({
  ...{ item: id, edition: "e", done: false, context: null, contextFrom: null, answer, note: "" },
  ...more,
});
const find = (address: string, context = "", title = "") => ({
  id: address + context,
  section: null,
  address,
  title,
  context,
});
const WORKS: Work[] = [
  {
    name: "Ada",
    written: [wrote("b", "Peat."), wrote("a", "Slowly.", { context: "Look here", note: "ask him" })],
    finds: [find("https://bog.example/x", "It is short"), find("https://bog.example/y")],
  },
  { name: "Ben", written: [wrote("a", "", { note: "mine alone" })], finds: [] },
  {
    name: "Cleo",
    written: [wrote("a", "It sinks."), wrote("gone", "Fen.")],
    finds: [
      find("https://www.bog.example/y?utm_source=mail", "Two wells", "Wells"),
      find("", "A smell", "The ditch"),
    ],
  },
];

test("by item: each item with its answers, what was taken out, and what was found once, with who found it; no notes", () => {
  expect(collected(given, WORKS, { by: "item", names: true })).toEqual([
    {
      title: "Title a",
      entries: [
        { what: "given", item: "a" },
        { what: "text", heading: "2 answers", words: "Ada: “Look here”\nSlowly.\n\nCleo: It sinks." },
      ],
    },
    {
      title: "Title b",
      entries: [
        { what: "given", item: "b" },
        { what: "text", heading: "1 answer", words: "Ada: Peat." },
      ],
    },
    { title: "At what was taken out", entries: [{ what: "text", heading: "1 answer", words: "Cleo: Fen." }] },
    {
      title: "Found",
      entries: [
        {
          what: "find",
          address: "https://bog.example/y",
          title: "Wells",
          context: "Two wells\nFound by Ada, Cleo.",
        },
        { what: "find", address: "https://bog.example/x", title: "", context: "It is short\nFound by Ada." },
        { what: "find", address: "", title: "The ditch", context: "A smell\nFound by Cleo." },
      ],
    },
  ]);
});

test("without names nobody can be told, and how many found it stands there still", () => {
  const said = JSON.stringify([
    collected(given, WORKS, { by: "item", names: false }),
    collected(given, WORKS, { by: "learner", names: false }),
  ]);
  expect(said).not.toMatch(/Ada|Ben|Cleo|ask him|mine alone/);
  expect(said).toContain("Found by 2.");
});

test("by learner: a section for each who did something, their words in the order of the handout", () => {
  const sections = collected(given, WORKS, { by: "learner", names: true });
  expect(sections.map(({ title, entries }) => [title, entries.length])).toEqual([
    ["Ada", 3],
    ["Cleo", 3],
  ]);
  expect(sections[0]!.entries[0]).toEqual({
    ...{ what: "text", heading: "" },
    words: "Title a\n“Look here”\nSlowly.\n\nTitle b\nPeat.",
  });
  expect(collected(given, [], { by: "learner", names: true })).toEqual([]);
});

test("of much there are several texts, and nothing of it is lost", () => {
  const many = Array.from({ length: 300 }, (_, i) => ({ name: `L${i}`, written: [wrote("a", `${i} `.repeat(300))], finds: [] }));
  const [section] = collected(given, many, { by: "item", names: true });
  const words = section!.entries.flatMap((one) => (one.what === "text" ? one.words : []));
  expect(words.length).toBeGreaterThan(10);
  expect(Math.max(...words.map((one) => one.length))).toBeLessThanOrEqual(12_000);
  for (let i = 0; i < 300; i++) expect(words.some((one) => one.includes(`L${i}: ${i} `))).toBe(true);
}); // prettier-ignore
