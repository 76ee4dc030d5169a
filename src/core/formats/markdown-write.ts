import type { Reference } from "../cite/bibliography";
import type { Run } from "../cite/runs";
import { type PublishedItem, type PublishedTree, sumUp } from "../publish/model";
import { type Block, blocksOf } from "../text/blocks";
import { ownFrom, sayFrom, withOwnFrom } from "../shelves/from";
import { sayMinutes } from "../text/minutes";

/**
 * The collection as Markdown (CommonMark 0.31): headings, numbered links, the context line beneath each.
 * @param tree the collection with those that stand in it
 * @param references its bibliography, to stand at the end
 */
export function writeMarkdown(tree: PublishedTree, references: readonly Reference[] = []): string {
  return `${[...part(tree, 1), ...bibliography(references)]
    .join("\n")
    .replace(/\n{3,}/g, "\n\n")
    .trim()}\n`;
}

/** Each entry a paragraph, since styles that count have numbers of their own. */
const bibliography = (references: readonly Reference[]): string[] =>
  references.length
    ? [
        "",
        "## References",
        "",
        ...references.flatMap(({ label, runs }) => [
          [label && plain(label), runs.map(faced).join("")].filter(Boolean).join(" "),
          "",
        ]),
      ]
    : [];

/** A run in its face; blanks at its ends stand outside of the signs, where they are none of them. */
function faced({ text, italic, bold, address }: Run): string {
  if (address && text === address) return `<${address.replace(/[<>]/g, encodeURIComponent)}>`;
  const [, before = "", words = "", after = ""] = /^(\s*)(.*?)(\s*)$/s.exec(text) ?? [];
  if (!words) return text;
  const sign = bold ? "**" : italic ? "*" : "";
  const marked = `${sign}${plain(words)}${sign}`;
  const linked = address ? `[${marked}](<${address.replace(/[<>]/g, encodeURIComponent)}>)` : marked;
  return `${before}${linked}${after}`;
}

function part(
  { collection, inside }: PublishedTree,
  level: number,
  around?: PublishedTree["collection"],
): string[] {
  const { items, minutes } = sumUp(collection.sections);
  const hashes = "#".repeat(Math.min(level, 6));
  const lines = [`${hashes} ${plain(collection.title)}`, ""];
  if (collection.rich) lines.push(...markedBlocks(collection.rich));
  else if (collection.description) lines.push(paragraph(collection.description), "");
  lines.push(
    `${plain(collection.teamName)} · ${items} ${items === 1 ? "item" : "items"}${minutes ? ` · ${sayMinutes(minutes)}` : ""}`,
    "",
  );
  const from = ownFrom(collection.from, around?.from);
  if (from) lines.push(`*${plain(sayFrom(from))}*`, "");
  let number = 0;
  for (const section of collection.sections) {
    if (section.id !== null)
      lines.push(`${hashes === "######" ? "" : "#"}${hashes} ${plain(section.title)}`, "");
    if (section.intro) lines.push(...markedBlocks(section.intro));
    for (const item of withOwnFrom(section, collection.from).items)
      if (item.look === "text") lines.push("", ...between(item, level), "");
      else lines.push(...entry(item, ++number));
    lines.push("");
  }
  return [...lines, ...inside.flatMap((one) => ["", ...part(one, level + 1, collection)])];
}

/** Text that leads from one item to the next. */
function between(item: PublishedItem, level: number): string[] {
  const heading = item.heading ? [`${"#".repeat(Math.min(level + 2, 6))} ${plain(item.heading)}`, ""] : [];
  return [...heading, paragraph(item.description)];
}

function entry(item: PublishedItem, number: number): string[] {
  const indent = " ".repeat(String(number).length + 2);
  const facts = [
    item.kind,
    item.siteName || item.host,
    item.minutes ? sayMinutes(item.minutes) : "",
    item.from ? sayFrom(item.from) : "",
    item.tags.map((tag) => `#${tag.replace(/ /g, "-")}`).join(" "),
  ];
  const lines = [
    item.address
      ? `${number}. [${plain(item.heading || item.title)}](<${item.address.replace(/[<>]/g, encodeURIComponent)}>)`
      : `${number}. ${plain(item.heading || item.title)}`,
  ];
  if (item.context) lines.push("", indentAll(paragraph(item.context), indent), "");
  if (item.kind === "note" && item.description)
    lines.push("", indentAll(paragraph(item.description), indent), "");
  lines.push(`${indent}*${facts.filter(Boolean).map(plain).join(" · ")}*`);
  return lines;
}

/** Marked text: paragraphs and lists, in lists indented to what stands behind the sign (CommonMark 0.31, 5.2). */
const markedBlocks = (html: string): string[] => blocksOf(html).flatMap((block) => blockLines(block));

function blockLines(block: Block): string[] {
  if (block.kind === "words") return [guarded(block.runs.map(faced).join("")), ""];
  // A list right behind another of its kind would go on with it.
  return [
    ...block.items.flatMap((item, i) => {
      const sign = block.numbered ? `${block.start + i}. ` : "- ";
      const [first = "", ...rest] = item.flatMap(blockLines);
      return [sign + first, ...rest.map((line) => line && " ".repeat(sign.length) + line)];
    }),
    "<!-- -->",
    "",
  ];
}

/** A line whose beginning is not taken for the start of a block. */
const guarded = (line: string): string =>
  line.replace(/^([+\-=]|\d+(?=[.)]))/, (mark) => (/\d/.test(mark) ? `${mark}\\` : `\\${mark}`));

/** Text on one line in which no character is taken for markup. */
function plain(text: string): string {
  return text
    .replace(/\s+/g, " ")
    .trim()
    .replace(/[\\`*_{}[\]<>#|~&]/g, "\\$&");
}

/** Text that keeps its lines, with what would start a block at a line's head made plain as well. */
function paragraph(text: string): string {
  return text
    .trim()
    .split(/\n+/)
    .map((line) => guarded(plain(line)))
    .join("\\\n");
}

const indentAll = (text: string, indent: string) => text.replace(/^/gm, indent);
