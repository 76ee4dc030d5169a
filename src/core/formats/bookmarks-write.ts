import { escape } from "../publish/html";
import type { PublishedItem, PublishedTree } from "../publish/model";

/**
 * The collection as a browser bookmark file: the nested `<DL>` lists that browsers have read and written since the
 * 1990s (a de facto standard; every browser's "import bookmarks" takes it). A collection is a folder, a section a
 * folder in it; the context line is the `<DD>` of its link, tags stand in TAGS with commas, times in seconds.
 * What browsers have no word for stands in data attributes, which they pass over.
 * @param tree the collection with those that stand in it
 * @returns the text of the file, in UTF-8
 */
export function writeBookmarks(tree: PublishedTree): string {
  return [
    "<!DOCTYPE NETSCAPE-Bookmark-file-1>",
    '<META HTTP-EQUIV="Content-Type" CONTENT="text/html; charset=UTF-8">',
    `<TITLE>${escape(tree.collection.title)}</TITLE>`,
    `<H1>${escape(tree.collection.title)}</H1>`,
    "<DL><p>",
    ...folder(tree).map((line) => `    ${line}`),
    "</DL><p>",
    "",
  ].join("\n");
}

function folder({ collection, inside }: PublishedTree): string[] {
  const made = `ADD_DATE="${seconds(collection.createdAt)}" LAST_MODIFIED="${seconds(collection.updatedAt)}"`;
  return [
    `<DT><H3 ${made}>${escape(collection.title)}</H3>`,
    ...note(collection.description),
    "<DL><p>",
    ...collection.sections.flatMap((section) => {
      const items = section.items.flatMap(link);
      if (section.id === null) return items;
      return [`<DT><H3 DATA-PART="section">${escape(section.title)}</H3>`, "<DL><p>", ...items, "</DL><p>"];
    }),
    ...inside.flatMap(folder),
    "</DL><p>",
  ];
}

function link(item: PublishedItem): string[] {
  // A browser keeps nothing without an address, and no text between links.
  if (!item.address || item.look === "text") return [];
  const attributes = [
    `HREF="${escape(item.address)}"`,
    `ADD_DATE="${seconds(item.addedAt)}"`,
    item.tags.length ? `TAGS="${escape(item.tags.join(","))}"` : "",
    item.heading ? `DATA-TITLE="${escape(item.title)}"` : "",
  ].filter(Boolean);
  return [`<DT><A ${attributes.join(" ")}>${escape(item.heading || item.title)}</A>`, ...note(item.context)];
}

const note = (text: string) => (text ? [`<DD>${escape(text)}`] : []);
const seconds = (date: Date) => Math.floor(date.getTime() / 1000);
