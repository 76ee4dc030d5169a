import { Parser } from "htmlparser2";
import {
  bareLink,
  emptyFolder,
  type ImportedFile,
  type ImportedFolder,
  type ImportedLink,
  type PassedOver,
} from "../formats/imported";
import { findLinks, type FoundLink } from "./find-links";

const BLOCKS = new Set([
  "p",
  "li",
  "td",
  "th",
  "dd",
  "dt",
  "div",
  "tr",
  "blockquote",
  "pre",
  "section",
  "article",
  "body",
  "ul",
  "ol",
  "table",
  "tbody",
  "br",
]);
const SILENT = new Set(["script", "style", "template", "noscript", "head", "title"]);
const HEADING = /^h[1-6]$/;
const TITLE_MOST = 300;

type Anchor = { href: string; text: string; from: number; to: number };
type Block = { text: string; anchors: Anchor[] };

/**
 * Finds the links of rich text: what a word processor, a mail, a spreadsheet or a chat puts on the clipboard, and
 * what Markdown and DOCX are turned into. The heading above a link proposes its section, link text becomes the title, the
 * words beside a single link its context. Bare addresses in the text count as well.
 */
export function outlineHtml(html: string): ImportedFile & { malformed: string[] } {
  const root = emptyFolder();
  const malformed: string[] = [];
  const passedOver: PassedOver[] = [];
  let section: ImportedFolder = root;
  let last: { link: ImportedLink; inItem: number } | null = null;
  let item = 0;
  let silent = 0;
  let heading: { level: number; text: string } | null = null;
  let block: Block = { text: "", anchors: [] };
  let anchor: Anchor | null = null;

  const flush = () => {
    const done = block;
    block = { text: "", anchors: [] };
    const links = linksOf(done, malformed);
    for (const one of done.anchors)
      // A page leads to its own parts; those are no links that could be gathered.
      if (!isWeb(one.href) && !one.href.startsWith("#"))
        passedOver.push({ text: [one.text.trim(), one.href].filter(Boolean).join(" "), why: "not-web" });
    for (const link of links) {
      section.children.push(link);
      last = { link, inItem: item };
    }
    const words = done.text.replace(/\s+/g, " ").trim();
    // A paragraph without links right after a link in the same list entry speaks about it.
    if (!links.length && !done.anchors.length && words && last && item && last.inItem === item)
      addWords(last.link, words);
  };
  const parser = new Parser(
    {
      onopentag(name, at) {
        if (SILENT.has(name)) silent++;
        if (HEADING.test(name)) {
          flush();
          heading = { level: +name[1]!, text: "" };
        } else if (BLOCKS.has(name)) {
          if (!heading) flush();
          if (name === "li") item = ++items;
        }
        if (name === "a" && at.href && !silent) {
          anchor = { href: at.href.trim(), text: "", from: block.text.length, to: 0 };
        }
      },
      ontext(text) {
        if (silent) return;
        if (heading) heading.text += text;
        if (anchor) anchor.text += text;
        block.text += text;
      },
      onclosetag(name) {
        if (SILENT.has(name)) silent = Math.max(0, silent - 1);
        if (name === "a" && anchor) {
          block.anchors.push({ ...anchor, to: block.text.length });
          anchor = null;
        }
        if (HEADING.test(name) && heading) {
          const title = heading.text.replace(/\s+/g, " ").trim().slice(0, 200);
          const links = linksOf(block, malformed);
          heading = null;
          block = { text: "", anchors: [] };
          if (links.length) section.children.push(...links);
          else if (title) {
            if (!root.title && !root.children.length) root.title = title;
            else {
              section = { ...emptyFolder(title), section: true };
              root.children.push(section);
            }
          }
          last = null;
        } else if (BLOCKS.has(name) && !heading) {
          flush();
          if (name === "li") item = 0;
        }
      },
    },
    { decodeEntities: true },
  );
  let items = 0;
  parser.end(html);
  flush();
  root.children = root.children.filter((child) => child.type === "link" || child.children.length > 0);
  return { root, passedOver, malformed };
}

const isWeb = (href: string) => /^(https?:)?\/\//i.test(href);

function linksOf(block: Block, malformed: string[]): ImportedLink[] {
  const anchors = block.anchors.filter((one) => isWeb(one.href));
  // What stands in anchors is not looked at again as plain text.
  let rest = block.text;
  for (const one of block.anchors.toReversed())
    rest = `${rest.slice(0, one.from)}${" ".repeat(one.to - one.from)}${rest.slice(one.to)}`;
  const bare = findLinks(rest);
  malformed.push(...bare.malformed);
  const all: (FoundLink & { at: number })[] = [
    ...anchors.map((one) => ({
      address: one.href.startsWith("//") ? `https:${one.href}` : one.href,
      title: titleOf(one.text, one.href),
      at: one.from,
    })),
    ...bare.links.map((link) => ({ ...link, title: anchors.length ? "" : link.title, at: link.at })),
  ].sort((a, b) => a.at - b.at);
  const links = all.map((one) => bareLink(one.address, { title: one.title }));
  if (anchors.length === 1 && links.length === 1) {
    const words = rest
      .replace(/\s+/g, " ")
      .trim()
      .replace(/^[\s.,;:()–—-]+/, "");
    if (/[\p{L}\p{N}]/u.test(words)) addWords(links[0]!, words);
  }
  return links;
}

/** Link text that is only the address again is no title. */
function titleOf(text: string, href: string): string {
  const words = text.replace(/\s+/g, " ").trim();
  const bare = (value: string) => value.replace(/^(https?:)?\/\/(www\.)?|\/$/gi, "").toLowerCase();
  return bare(words) === bare(href) || /^https?:\/\//i.test(words) ? "" : words.slice(0, TITLE_MOST);
}

/** The line of facts Hobbin's own Markdown writes beneath a link gives its tags back; other words are context. */
function addWords(link: ImportedLink, words: string): void {
  if (/^(page|video|document|picture|sound|note) · /.test(words)) {
    const tags = [...words.matchAll(/(?:^|\s)#(\S+)/gu)].map((found) => found[1]!.replace(/-/g, " "));
    link.tagText = tags.join(",");
  } else link.context = [link.context, words].filter(Boolean).join("\n").slice(0, 4000);
}
