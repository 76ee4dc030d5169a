import { writeBookmarks } from "@/core/formats/bookmarks-write";
import { writeMarkdown } from "@/core/formats/markdown-write";
import type { Work } from "@/core/formats/references-write";
import type { PublishedItem, PublishedTree } from "@/core/publish/model";
import type { Tx } from "@/data/database";
import { worksByPlacement } from "@/data/queries/placements";
import { reading } from "@/mechanism/action";
import { Id, MaybeText, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { referencesInThread } from "@/outside/threads/in-thread";
import { publishedTree } from "../reader/published-collection";

/** The file formats a collection can leave in. A new one needs a writer in core/formats and a line here. */
const FORMATS = {
  bookmarks: { type: "text/html; charset=utf-8", ending: "html", write: writeBookmarks },
  markdown: { type: "text/markdown; charset=utf-8", ending: "md", write: writeMarkdown },
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
}

export const exportCollection = reading({
  name: "export.collection",
  about:
    "A collection, with those inside it, as an open file: a browser's bookmark file, Markdown, or a list of references.",
  input: ExportCollection,
  allow: can.see("collection"),
  run: async ({ input, tx }) => {
    const whole = await publishedTree(tx, input.collection);
    const tree = input.placements ? onlyThese(whole, new Set(input.placements.split(","))) : whole;
    if (input.format in REFERENCES) {
      const format = input.format as keyof typeof REFERENCES;
      const { type, ending } = REFERENCES[format];
      const content = await referencesInThread(await worksOf(tx, tree), format);
      return { name: `${fileName(tree.collection.title)}.${ending}`, type, content };
    }
    const { type, ending, write } = FORMATS[input.format as keyof typeof FORMATS];
    return { name: `${fileName(tree.collection.title)}.${ending}`, type, content: write(tree) };
  },
});

/** The collection with only these items; sections that are left empty go, and so does what stands inside. */
function onlyThese({ collection }: PublishedTree, ids: ReadonlySet<string>): PublishedTree {
  const sections = collection.sections
    .map((section) => ({ ...section, items: section.items.filter((item) => ids.has(item.id)) }))
    .filter((section) => section.items.length > 0);
  return { collection: { ...collection, sections, inside: [] }, inside: [] };
}

async function worksOf(tx: Tx, tree: PublishedTree): Promise<Work[]> {
  const items = ({ collection, inside }: PublishedTree): PublishedItem[] => [
    ...collection.sections.flatMap((section) => section.items),
    ...inside.flatMap(items),
  ];
  const all = items(tree);
  const details = new Map(
    (
      await worksByPlacement(
        tx,
        all.map((item) => item.id),
      )
    ).map((row) => [row.placement, row]),
  );
  const once = new Map<string, Work>();
  for (const item of all) {
    const { resource, itemType, language, details: fields } = details.get(item.id)!;
    if (!once.has(resource))
      once.set(resource, { ...item, id: resource, itemType, language, details: fields });
  }
  return [...once.values()];
}

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
