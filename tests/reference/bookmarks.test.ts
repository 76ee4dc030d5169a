import parse from "node-bookmarks-parser";
import { expect, test } from "vitest";
import { writeBookmarks } from "@/core/formats/bookmarks-write";
import type { PublishedItem, PublishedTree } from "@/core/publish/model";

const item = (title: string, context: string, tags: string[]): PublishedItem => ({
  id: title, kind: "page", heading: "", context, look: "item", title, description: "", address: `https://bog.example/${encodeURIComponent(title)}?a=1&b=2`, host: "bog.example", siteName: "",
  authors: [], published: null, minutes: 1, pages: null, tags, picture: null, player: null,
    language: null, quotation: null, copy: null, isPdf: false, file: null, addedAt: new Date("2026-03-09T08:00:00Z"),
}); // prettier-ignore

/**
 * An independent reader of the format: the package node-bookmarks-parser. It knows no tags, and loses a folder's
 * contents when a note stands after its name, which browsers do write and read; so there is none here.
 */
test("an independent parser reads folders, links and times out of the file written here", () => {
  const tree: PublishedTree = {
    collection: {
      id: "c", title: "Week 3 & more", description: "", rich: "", cover: null, teamName: "T", use: null,
      audience: "team", view: "rows", createdAt: new Date(1_700_000_000_000), updatedAt: new Date(1_700_000_001_000), inside: [], way: null, language: "", framedBy: "*",
      sections: [{ id: null, title: "", intro: "", items: [item("A <b> title", "Read \"this\" first", ["water table", "moss"])] }, { id: "s", title: "At the bog", intro: "", items: [item("Second", "", [])] }],
    },
    inside: [],
  }; // prettier-ignore
  type Read = { type?: string; title: string; url?: string; addDate?: string; children?: Read[] };
  const [menu] = parse(writeBookmarks(tree)) as unknown as Read[];
  const folder = menu!.children![0]!;
  expect(folder).toMatchObject({
    type: "folder",
    title: "Week 3 & more",
    addDate: "1700000000",
    lastModified: "1700000001",
  });
  expect(folder.children).toMatchObject([
    {
      type: "bookmark",
      title: "A <b> title",
      url: "https://bog.example/A%20%3Cb%3E%20title?a=1&b=2",
      addDate: "1773043200",
    },
    { type: "folder", title: "At the bog", children: [{ type: "bookmark", title: "Second" }] },
  ]);
});
