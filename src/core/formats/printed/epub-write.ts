import { strToU8, zipSync, type Zippable } from "fflate";
import { faced } from "../../cite/faced";
import { clothInLight } from "../../cover/in-light";
import { LIGHT } from "../../look/colours";
import type { Block } from "../../text/blocks";
import { xhtmlOf } from "../../text/xhtml";
import { html as x, Markup } from "../../publish/html";
import type { Pictures, Printed, PrintedEntry, PrintedPart, PrintedSection } from "./model";

/** The reading copy of an item: sanitised HTML. */
export type BookCopy = {
  /** Of the item it stands with; where it stands more than once, of the first. */
  item: string;
  title: string;
  address: string;
  language: string | null;
  html: string;
  /** The day it was made, as 2026-03-09. */
  day: string;
};
type Holds = { pictures: Pictures; copies: ReadonlyMap<string, string> };

/** A page of the book: where it lies, what it is called, and what is on it. */
type Chapter = { file: string; title: string; level: number; body: Markup; hasSvg: boolean };

const STYLE = `body{font-family:serif;line-height:1.5;margin:0 1em}h1,h2,h3{line-height:1.25}.sub,.tags{font-size:.85em;color:${LIGHT.quiet}}.lead,.about{color:${LIGHT.quiet}}.say{font-size:1.15em;margin:0 0 .3em}ol{list-style:none;padding:0}ol.plain{list-style:decimal;padding:0 0 0 1.6em}li.item{margin:0 0 1.4em;padding-bottom:1em;border-bottom:1px solid ${LIGHT.line}}li p{margin:.2em 0}.no{font-weight:bold;color:${LIGHT.accent};margin-right:.5em}blockquote{margin:.4em 0;padding-left:.8em;border-left:3px solid ${LIGHT.accent}}img{max-width:100%;height:auto}.cloth svg{width:100%;height:3em}.reference{padding-left:2em;text-indent:-2em}`;

/**
 * A collection as a book (EPUB 3.3, https://www.w3.org/TR/epub-33/): a chapter for each collection and each of its sections,
 * a list of contents, what its accessibility is (EPUB Accessibility 1.1), and its bibliography where one was asked for.
 * @param pictures JPEG, by their hashes
 * @param copies reading copies that go along, each a chapter behind all others
 * @returns the same bytes for the same content
 */
export function writeEpub(
  printed: Printed,
  pictures: Pictures,
  copies: readonly BookCopy[] = [],
): Uint8Array {
  const files = new Map(copies.map(({ item }, i) => [item, `copy-${i}.xhtml`]));
  const chapters = [
    ...printed.parts.flatMap((part, i) => chaptersOf(part, i, { pictures, copies: files })),
    ...creditsOf(printed),
    ...referencesOf(printed),
    ...copiesOf(printed, copies, files),
  ];
  const drawn = [...new Set(picturesIn(printed))].filter((hash) => pictures[hash]);
  const page = (title: string, body: Markup) => documentOf(printed, title, body);
  const packed: [name: string, content: string | Uint8Array, stored?: boolean][] = [
    // The first one, and not packed: by it readers know what it is (EPUB 3.3, 4.2.6).
    ["mimetype", "application/epub+zip", true],
    [
      "META-INF/container.xml",
      `<?xml version="1.0" encoding="UTF-8"?>\n<container version="1.0" xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><rootfiles><rootfile full-path="book/package.opf" media-type="application/oebps-package+xml"/></rootfiles></container>`,
    ],
    ["book/package.opf", packageOf(printed, chapters, drawn)],
    ["book/nav.xhtml", page(printed.title, navigation(chapters))],
    ["book/style.css", STYLE],
    ...chapters.map(({ file, title, body }): [string, string] => [`book/${file}`, page(title, body)]),
    ...drawn.map((hash): [string, Uint8Array] => [`book/p/${hash}.jpg`, pictures[hash]!]),
  ];
  const zip: Zippable = Object.fromEntries(
    packed.map(([name, content, stored]) => [
      name,
      [
        typeof content === "string" ? strToU8(content) : content,
        // Pictures are packed already. The hour it was packed is not in it.
        { mtime: new Date(1980, 0, 1), level: stored || typeof content !== "string" ? 0 : 6 },
      ],
    ]),
  );
  return zipSync(zip);
}

const documentOf = ({ language, direction }: Printed, title: string, body: Markup): string =>
  x`<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE html>
<html xmlns="http://www.w3.org/1999/xhtml" xmlns:epub="http://www.idpf.org/2007/ops" lang="${language}" xml:lang="${language}" dir="${direction}"><head><title>${title}</title><link rel="stylesheet" type="text/css" href="style.css"/></head><body>${body}</body></html>
`.text;

function chaptersOf(part: PrintedPart, i: number, holds: Holds): Chapter[] {
  const { threads, tags } = part.cloth;
  const cloth = threads.length
    ? x`<div class="cloth">${new Markup(clothInLight(threads, tags, 640, 46))}</div>`
    : null;
  const [first, ...rest] = part.sections[0]?.title === "" ? part.sections : [null, ...part.sections];
  return [
    {
      ...{ file: `part-${i}.xhtml`, title: part.title, level: part.level, hasSvg: cloth !== null },
      body: x`<section epub:type="chapter" role="doc-chapter">${cloth}<h1>${part.title}</h1>${part.about.map((one) => blockOf(one, "lead"))}<p class="sub">${part.holds}</p>${first ? entries(first, holds) : null}</section>`,
    },
    ...rest.map((section, k) => ({
      ...{ file: `part-${i}-${k}.xhtml`, title: section!.title, level: part.level + 1, hasSvg: false },
      body: x`<section epub:type="chapter" role="doc-chapter"><h1>${section!.title}</h1>${section!.minutes ? x`<p class="sub">${section!.minutes}</p>` : null}${section!.intro.map((one) => blockOf(one, "about"))}${entries(section!, holds)}</section>`,
    })),
  ];
}

const blockOf = (block: Block, look: string): Markup =>
  block.kind === "words"
    ? x`<p class="${look}">${block.runs.map(faced)}</p>`
    : block.numbered
      ? x`<ol class="${look} plain" start="${block.start}">${itemsOf(block.items, look)}</ol>`
      : x`<ul class="${look}">${itemsOf(block.items, look)}</ul>`;
const itemsOf = (items: readonly Block[][], look: string): Markup[] =>
  items.map((item) => x`<li>${item.map((one) => blockOf(one, look))}</li>`);

const entries = (section: PrintedSection, holds: Holds): Markup | null =>
  section.entries.length
    ? x`<ol>${section.entries.map((one) => (one.number === null ? between(one) : entry(one, holds)))}</ol>`
    : null;

const between = (one: PrintedEntry): Markup =>
  x`<li>${one.title ? x`<p><b>${one.title}</b></p>` : null}${one.about.map((text) => x`<p class="about">${text}</p>`)}</li>`;

function entry(one: PrintedEntry, { pictures, copies }: Holds): Markup {
  const copy = copies.get(one.id);
  const title = one.address ? x`<a href="${one.address}">${one.title}</a>` : x`${one.title}`;
  const number = x`<span class="no">${one.number}</span>`;
  return x`<li class="item">${one.context.map((text, i) => x`<p class="say">${i === 0 ? number : null}${text}</p>`)}<p>${one.context.length ? null : number}<b>${title}</b></p>${one.source ? x`<p class="sub">${one.source}</p>` : null}${
    one.picture && pictures[one.picture.hash]
      ? x`<p><img src="p/${one.picture.hash}.jpg" alt="${one.picture.alternative}"/></p>`
      : null
  }${one.quotation.length ? x`<blockquote>${one.quotation.map((text) => x`<p>${text}</p>`)}</blockquote>` : null}${one.about.map((text) => x`<p class="about">${text}</p>`)}${one.tags.length ? x`<p class="tags">${one.tags.join(" · ")}</p>` : null}${copy ? x`<p><a href="${copy}">Read the copy in this book</a></p>` : null}</li>`;
}

function creditsOf({ credits, parts }: Printed): Chapter[] {
  if (!credits.length) return [];
  const led = (words: string, address: string | null) =>
    address ? x`<a href="${address}">${words}</a>` : x`${words}`;
  const body = x`<section epub:type="credits" role="doc-credits"><h1>Credits</h1>${credits.map(
    (one) =>
      x`<p class="reference">${led(one.words, one.address)}, ${led(one.licence, one.licenceAddress)}</p>`,
  )}</section>`;
  return [{ file: "credits.xhtml", title: "Credits", level: Math.min(2, parts.length), body, hasSvg: false }];
}

function referencesOf({ references, parts }: Printed): Chapter[] {
  if (!references.length) return [];
  const body = x`<section epub:type="bibliography" role="doc-bibliography"><h1>References</h1>${references.map(
    ({ label, runs }) => x`<p class="reference">${label ? `${label} ` : null}${runs.map(faced)}</p>`,
  )}</section>`;
  return [
    { file: "references.xhtml", title: "References", level: Math.min(2, parts.length), body, hasSvg: false },
  ];
}

/** Reading copies under one heading, each with where it is from and a word on whose it is. */
function copiesOf(
  { parts }: Printed,
  copies: readonly BookCopy[],
  files: ReadonlyMap<string, string>,
): Chapter[] {
  if (!copies.length) return [];
  const level = Math.min(2, parts.length);
  const head = x`<section epub:type="appendix" role="doc-appendix"><h1>Reading copies</h1><p class="about">These are the words of others, kept so that they can be read without a net. Whether they may be handed on is for whoever does it to know.</p></section>`;
  return [
    { file: "copies.xhtml", title: "Reading copies", level, body: head, hasSvg: false },
    ...copies.map(({ item, title, address, language, html, day }) => ({
      ...{ file: files.get(item)!, title, level: level + 1, hasSvg: false },
      body: x`<section epub:type="chapter" role="doc-chapter"><h1>${title}</h1><p class="sub">A copy kept on ${day}${address ? x` of <a href="${address}">${address}</a>` : null}</p><div lang="${language ?? "und"}" xml:lang="${language ?? "und"}">${new Markup(xhtmlOf(html))}</div></section>`,
    })),
  ];
}

/** The list of contents, what stands in something within its entry. */
function navigation(chapters: readonly Chapter[]): Markup {
  const list = (from: number, level: number): [Markup[], number] => {
    const made: Markup[] = [];
    let at = from;
    while (at < chapters.length && chapters[at]!.level >= level) {
      const { file, title, level: own } = chapters[at]!;
      const [below, next] = list(at + 1, own + 1);
      made.push(x`<li><a href="${file}">${title}</a>${below.length ? x`<ol>${below}</ol>` : null}</li>`);
      at = next;
    }
    return [made, at];
  };
  return x`<nav epub:type="toc" role="doc-toc" aria-label="Contents"><h1>Contents</h1><ol>${list(0, 0)[0]}</ol></nav>`;
}

function packageOf(printed: Printed, chapters: readonly Chapter[], pictures: readonly string[]): string {
  const { id, title, team, language, direction, day, keywords } = printed;
  const described = pictures.length ? ["alternativeText"] : [];
  const meta = (property: string, value: string) => x`<meta property="${property}">${value}</meta>`;
  return x`<?xml version="1.0" encoding="UTF-8"?>
<package xmlns="http://www.idpf.org/2007/opf" version="3.0" unique-identifier="id" xml:lang="${language}"><metadata xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:identifier id="id">urn:uuid:${id}</dc:identifier><dc:title>${title}</dc:title><dc:creator>${team}</dc:creator><dc:language>${language}</dc:language><dc:date>${day}</dc:date>${keywords.map((word) => x`<dc:subject>${word}</dc:subject>`)}${meta("dcterms:modified", `${day}T00:00:00Z`)}${meta("schema:accessMode", "textual")}${pictures.length ? meta("schema:accessMode", "visual") : null}${meta("schema:accessModeSufficient", "textual")}${["structuralNavigation", "tableOfContents", "readingOrder", ...described].map((one) => meta("schema:accessibilityFeature", one))}${meta("schema:accessibilityHazard", "none")}${meta("schema:accessibilitySummary", "Text with headings, lists and links in their order; pictures that only recall a page have no description.")}</metadata><manifest><item id="nav" href="nav.xhtml" media-type="application/xhtml+xml" properties="nav"/><item id="style" href="style.css" media-type="text/css"/>${chapters.map(({ file, hasSvg }, i) => x`<item id="c${i}" href="${file}" media-type="application/xhtml+xml"${hasSvg ? x` properties="svg"` : null}/>`)}${pictures.map((hash) => x`<item id="p${hash}" href="p/${hash}.jpg" media-type="image/jpeg"/>`)}</manifest><spine page-progression-direction="${direction}">${chapters.map((_, i) => x`<itemref idref="c${i}"/>`)}</spine></package>
`.text;
}

const picturesIn = (printed: Printed): string[] =>
  printed.parts.flatMap((part) =>
    part.sections.flatMap((section) => section.entries.flatMap((one) => one.picture?.hash ?? [])),
  );
