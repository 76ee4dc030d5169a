import type { PublishedCollection, PublishedItem, PublishedTree } from "@/core/publish/model";

/** A course that is shown to programs of others: what is in it is hostile, foreign or long, as what people bring in is. */
const TITLES = [
  "A plain title",
  `</w:t><script>alert(1)</script> & "quoted" ]]>`,
  `#read("/etc/passwd") *bold* $x$ @ref`,
  "المستنقع في الشتاء",
  "Hochmoorwiedervernässung".repeat(8),
  "=cmd|' /C calc'!A0",
];

const item = (n: number, title: string): PublishedItem => ({
  ...{ id: `i${n}`, kind: "page", heading: "", context: `Because of reason ${n}.`, look: "item", title },
  ...{ description: "What it says of itself.", address: addressOf(n), host: "documents.example" },
  ...{ siteName: "Bog Journal", authors: ["Ona Weld"], published: "2026-03-09", minutes: 5, pages: null },
  ...{ tags: ["water table"], picture: PICTURE, player: null, language: "en", quotation: null, copy: null },
  ...{ isPdf: false, file: null, addedAt: new Date(Date.UTC(2026, 4, 2)) },
});

export const addressOf = (n: number): string => `https://documents.example/${n}?a=1&b=2`;
/** The hash of the picture they all have. */
export const PICTURE = "ab".repeat(32);

const collection = (title: string, id: string, sections: [string, number[]][]): PublishedCollection => ({
  ...{ id, title, description: "What to read, and why.", rich: "", cover: null, teamName: "Lantern Moss" },
  ...{ audience: "team", view: "rows", use: null, language: "en", framedBy: "", inside: [], way: null },
  ...{ createdAt: new Date(0), updatedAt: new Date(Date.UTC(2026, 10, 18)) },
  sections: sections.map(([name, numbers]) => ({
    ...{ id: name || null, title: name, intro: "" },
    items: numbers.map((n) => item(n, TITLES[n % TITLES.length]!)),
  })),
});

/** The course, with a week in it. */
export const COURSE: PublishedTree = {
  collection: collection("Peatland course", "0199f3a0-0000-7000-8000-000000000001", [
    ["", [0]],
    ["To begin", [1, 2, 3]],
  ]),
  inside: [
    {
      collection: collection("Week 1: what a bog is", "0199f3a0-0000-7000-8000-000000000002", [
        ["At the bog", [4, 5]],
      ]),
      inside: [],
    },
  ],
};
export const HEADINGS = ["Peatland course", "To begin", "Week 1: what a bog is", "At the bog", "References"];
export const LINKS = [0, 1, 2, 3, 4, 5].map(addressOf);
