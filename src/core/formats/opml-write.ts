import { html as x, type Markup } from "../publish/html";
import type { PublishedItem, PublishedTree } from "../publish/model";
import { forXml } from "../text/for-xml";

/**
 * The collection as an outline (OPML 2.0, https://opml.org/spec2.opml): a collection and a section are outlines that hold
 * others, an item one of type `link`; its context line is its `description`, its tags are its categories.
 * @param tree the collection with those that stand in it
 */
export function writeOpml(tree: PublishedTree): string {
  const { title, createdAt, updatedAt, teamName } = tree.collection;
  return forXml(
    x`<?xml version="1.0" encoding="UTF-8"?>
<opml version="2.0"><head><title>${title}</title><dateCreated>${createdAt.toUTCString()}</dateCreated><dateModified>${updatedAt.toUTCString()}</dateModified><ownerName>${teamName}</ownerName></head><body>
${partsOf(tree)}</body></opml>
`.text,
  );
}

const partsOf = ({ collection, inside }: PublishedTree): Markup[] => [
  ...collection.sections.flatMap((section) => {
    const items = section.items.map(outline);
    if (section.id === null) return items;
    return [x`<outline text="${section.title}">\n${items}</outline>\n`];
  }),
  ...inside.map((one) => x`<outline text="${one.collection.title}">\n${partsOf(one)}</outline>\n`),
];

function outline(item: PublishedItem): Markup {
  if (item.look === "text") return x`<outline text="${item.heading || item.description}"/>\n`;
  const title = item.heading || item.title;
  const link = item.address ? x` type="link" url="${item.address}"` : null;
  const context = item.context ? x` description="${item.context}"` : null;
  // A category is a path with slashes, and commas part categories.
  const tags = item.tags.map((tag) => `/${tag.replace(/[/,]/g, " ")}`).join(",");
  const category = tags ? x` category="${tags}"` : null;
  return x`<outline text="${title}"${link}${context}${category} created="${item.addedAt.toUTCString()}"/>\n`;
}
