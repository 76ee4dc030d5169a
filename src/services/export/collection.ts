import type { StyleId } from "@/core/cite/styles";
import { writeBookmarks } from "@/core/formats/bookmarks-write";
import { writeCsv } from "@/core/formats/csv-write";
import { writeLinkedData } from "@/core/formats/linked-data-write";
import { writeLinks } from "@/core/formats/links-write";
import { writeMarkdown } from "@/core/formats/markdown-write";
import { writeOpml } from "@/core/formats/opml-write";
import { reading } from "@/mechanism/action";
import { Id, MaybeStyle, MaybeText, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { referencesInThread } from "@/outside/threads/in-thread";
import { referencesOf } from "./references-of";
import { fileName, treeOf } from "./tree";
import { worksOf } from "./works";

/** The file formats a collection can leave in. A new one needs a writer in core/formats and a line here. */
const FORMATS = {
  bookmarks: { type: "text/html; charset=utf-8", ending: "html", write: writeBookmarks },
  csv: { type: "text/csv; charset=utf-8", ending: "csv", write: writeCsv },
  markdown: { type: "text/markdown; charset=utf-8", ending: "md", write: writeMarkdown },
  links: { type: "text/plain; charset=utf-8", ending: "txt", write: writeLinks },
  opml: { type: "text/x-opml; charset=utf-8", ending: "opml", write: writeOpml },
  "json-ld": { type: "application/ld+json", ending: "jsonld", write: writeLinkedData },
} as const;
/** Lists of references: every work once, however often it stands in the collections. */
const REFERENCES = {
  ris: { type: "application/x-research-info-systems; charset=utf-8", ending: "ris" },
  bibtex: { type: "application/x-bibtex; charset=utf-8", ending: "bib" },
  "csl-json": { type: "application/vnd.citationstyles.csl+json", ending: "json" },
} as const;
type Format = keyof typeof FORMATS | keyof typeof REFERENCES;

class ExportCollection {
  @Id() collection: string;
  @OneOf([...Object.keys(FORMATS), ...Object.keys(REFERENCES)]) format: Format;
  /** Only these items, by their ids with commas between; about 10,000. */
  @MaybeText(400_000) placements?: string;
  /** The style of a bibliography that stands at its end, of Markdown; without it there is none. */
  @MaybeStyle() style?: StyleId;
}

export const exportCollection = reading({
  name: "export.collection",
  about:
    "A collection, with those inside it, as an open file: a table (CSV), a browser's bookmark file, Markdown, plain text, an outline (OPML), schema.org's terms (JSON-LD), or a list of references.",
  input: ExportCollection,
  allow: can.seeHere("collection"),
  run: async ({ input, tx }) => {
    const tree = await treeOf(tx, input);
    if (input.format in REFERENCES) {
      const format = input.format as keyof typeof REFERENCES;
      const { type, ending } = REFERENCES[format];
      const content = await referencesInThread(await worksOf(tx, tree), format);
      return { name: `${fileName(tree.collection.title)}.${ending}`, type, content };
    }
    const { type, ending, write } = FORMATS[input.format as keyof typeof FORMATS];
    const references =
      input.style && input.format === "markdown" ? await referencesOf(tx, tree, input.style) : [];
    return { name: `${fileName(tree.collection.title)}.${ending}`, type, content: write(tree, references) };
  },
});
