import { HtmlRenderer, Parser as Markdown } from "commonmark";
import { readBookmarks } from "../formats/bookmarks-read";
import { readFeed } from "../formats/feed-read";
import { bareLink, type ImportedFile, linksIn } from "../formats/imported";
import { readOpml } from "../formats/opml-read";
import { readReferences } from "../formats/references-read";
import { readTable, type Table, tableToLinks } from "../formats/table-read";
import { encodingOf } from "../text/encoding";
import { outlineText } from "./find-links";
import { definitionsIn } from "./markdown-definitions";
import { outlineHtml } from "./outline-html";
import type { Format } from "./read-any-words";

export type Reading = {
  format: Format;
  file: ImportedFile;
  /** Only of a table: what its columns are taken for, to be changed and read again. */
  table?: Table;
  malformed: string[];
};

/**
 * Finds out what a text is, from what stands in it and only then from the name of its file, and reads it.
 * @param name of the file, or empty when it was pasted
 * @param text what stands in it
 * @throws {Error} with words for the person when it is none of the formats or broken beyond reading
 */
export function readAny(name: string, text: string): Reading {
  const format = formatOf(name, text);
  const done = (file: ImportedFile, malformed: string[] = []): Reading => ({ format, file, malformed });
  switch (format) {
    case "bookmarks":
      return done(readBookmarks(text));
    case "opml":
      return done(readOpml(text));
    case "feed": {
      const feed = readFeed(text);
      if (!feed) throw new Error("This looks like a feed, but it breaks off or is not well formed.");
      return done(feed);
    }
    case "ris":
    case "bibtex":
    case "csl-json":
      return done(readReferences(text, format));
    case "table": {
      const table = readTable(text);
      return { ...done(tableToLinks(table)), table };
    }
    case "markdown": {
      const found = outlineHtml(new HtmlRenderer().render(new Markdown().parse(text)));
      // What is defined and nowhere used is a list of links all the same.
      const there = new Set(linksIn(found.root).map((link) => link.address));
      for (const { address, title } of definitionsIn(text))
        if (!there.has(address)) found.root.children.push(bareLink(address, { title }));
      return done(found, found.malformed);
    }
    case "html": {
      const found = outlineHtml(text);
      return done(found, found.malformed);
    }
    case "text": {
      const found = outlineText(text);
      return done(found, found.malformed);
    }
  }
}

function formatOf(name: string, text: string): Format {
  const ending = /\.([a-z0-9]+)$/i.exec(name)?.[1]?.toLowerCase() ?? "";
  const head = text.slice(0, 4000).trimStart();
  if (/^<!doctype netscape-bookmark/i.test(head)) return "bookmarks";
  if (/<opml[\s>]/i.test(head)) return "opml";
  if (
    (/<(rss|feed|rdf:rdf)[\s>]/i.test(head) ||
      /<entry\s[^>]*xmlns="http:\/\/www\.w3\.org\/2005\/Atom"/.test(head)) &&
    !/<html[\s>]/i.test(head)
  )
    return "feed";
  if (/^[[{]/.test(head)) {
    if (/"version"\s*:\s*"https?:\/\/(www\.)?jsonfeed\.org/.test(head)) return "feed";
    const json = parsed(text);
    if (json !== undefined) {
      if (!isReferences(json))
        throw new Error("This JSON holds nothing that can be read here: no references, no feed.");
      return "csl-json";
    }
  }
  // A name's ending counts where a long word of whoever made the file stands first.
  if (/^TY {2}- /m.test(ending === "ris" ? text : head)) return "ris";
  const isBib = /^(bib|bibtex|biblatex)$/.test(ending);
  if (/^@\s*[a-z]+\s*[{(]/im.test(isBib ? text : head) && (isBib || /^@/.test(head))) return "bibtex";
  if (/^(csv|tsv|tab)$/.test(ending)) return "table";
  if (/^(md|markdown)$/.test(ending)) return "markdown";
  if (/^(html?|xhtml)$/.test(ending))
    return /<dt>\s*<a\s/i.test(text.slice(0, 20_000)) ? "bookmarks" : "html";
  if (/^<(!doctype html|html|body|table|ul|ol|p|div|h[1-6])\b/i.test(head)) return "html";
  return hasTabs(text) ? "table" : "text";
}

/** Lines that each have as many tabs, as a spreadsheet puts them on the clipboard; one of them at least holds an address. */
function hasTabs(text: string): boolean {
  const lines = text
    .slice(0, 200_000)
    .split(/\r?\n/, 200)
    .filter((line) => line.trim());
  const tabs = (line: string) => line.split("\t").length;
  const [first = ""] = lines;
  return (
    lines.length > 1 &&
    tabs(first) > 1 &&
    lines.slice(1, 50).every((line) => tabs(line) === tabs(first)) &&
    lines.some((line) => /(^|\t)\s*https?:\/\/\S+\s*(\t|$)/.test(line))
  );
}

/** JSON, or undefined when it is none. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

/** Whether something of this is an item of CSL-JSON: it has a type, or at least a title. */
const isReferences = (json: unknown): boolean =>
  (Array.isArray(json) ? json : [json]).some(
    (one) =>
      typeof one === "object" &&
      one !== null &&
      ["type", "title"].some((name) => typeof (one as Record<string, unknown>)[name] === "string"),
  );

/**
 * The text of a file's bytes, by the encoding it has. For browsers, which know every encoding there is.
 * @param bytes a whole file
 */
export const decodeText = (bytes: Uint8Array): string =>
  new TextDecoder(encodingOf(bytes, isDecoded)).decode(bytes);

function isDecoded(label: string): boolean {
  try {
    return new TextDecoder(label).encoding !== "";
  } catch {
    return false;
  }
}
