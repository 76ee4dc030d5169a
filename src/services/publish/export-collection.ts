import { writeBookmarks } from "@/core/formats/bookmarks-write";
import { writeMarkdown } from "@/core/formats/markdown-write";
import { reading } from "../action";
import { Id, OneOf } from "../input";
import { can } from "../policy";
import { publishedTree } from "./published-collection";

/** The file formats a collection can leave in. A new one needs a writer in core/formats and a line here. */
const FORMATS = {
  bookmarks: { type: "text/html; charset=utf-8", ending: "html", write: writeBookmarks },
  markdown: { type: "text/markdown; charset=utf-8", ending: "md", write: writeMarkdown },
} as const;
type Format = keyof typeof FORMATS;

class ExportCollection {
  @Id() collection: string;
  @OneOf(Object.keys(FORMATS)) format: Format;
}

export const exportCollection = reading({
  name: "export.collection",
  about: "A collection, with those inside it, as an open file: a browser's bookmark file or Markdown.",
  input: ExportCollection,
  allow: can.see("collection"),
  run: async ({ input, tx }) => {
    const tree = await publishedTree(tx, input.collection);
    const { type, ending, write } = FORMATS[input.format];
    return { name: `${fileName(tree.collection.title)}.${ending}`, type, content: write(tree) };
  },
});

/** A title as the name of a file on any system. */
function fileName(title: string): string {
  return (
    title
      .replace(/[\\/:*?"<>|\p{Cc}]+/gu, " ")
      .replace(/\s+/g, " ")
      .trim()
      .slice(0, 80) || "collection"
  );
}
