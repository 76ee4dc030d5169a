import { type PublishedItem, type PublishedTree } from "../publish/model";
import { plainText } from "../text/plain";

/**
 * The collection as plain text to be pasted anywhere: headings on lines of their own, the title of each item over its
 * address, the context line under both.
 * @param tree the collection with those that stand in it
 */
export function writeLinks(tree: PublishedTree): string {
  return `${blocksOf(tree, "=").filter(Boolean).join("\n\n")}\n`;
}

function blocksOf({ collection, inside }: PublishedTree, line: string): string[] {
  let number = 0;
  return [
    underlined(collection.title, line),
    collection.description.trim(),
    ...collection.sections.flatMap((section) => [
      section.id === null ? "" : underlined(section.title, "-"),
      plainText(section.intro).trim(),
      ...section.items.map((item) => (item.look === "text" ? between(item) : entry(item, ++number))),
    ]),
    ...inside.flatMap((one) => blocksOf(one, "=")),
  ];
}

const inLine = (text: string) => text.replace(/\s+/g, " ").trim();

function underlined(title: string, line: string): string {
  const words = inLine(title);
  return words && `${words}\n${line.repeat(Math.min([...words].length, 72))}`;
}

const between = (item: PublishedItem): string =>
  [inLine(item.heading), item.description.trim()].filter(Boolean).join("\n");

const entry = (item: PublishedItem, number: number): string =>
  [
    `${number}. ${inLine(item.heading || item.title)}`,
    item.address,
    item.quotation ? `“${item.quotation.trim()}”` : "",
    item.context.trim(),
    item.kind === "note" ? item.description.trim() : "",
  ]
    .filter(Boolean)
    .join("\n")
    .replace(/\n/g, "\n   ");
