import { type EditionCollection, type EditionContent, type EditionItem } from "../editions/content";
import type { Markup } from "../publish/html";
import { html as x } from "../publish/html";
import { forXml } from "../text/for-xml";
import { plainText } from "../text/plain";
import { isRightToLeft } from "../text/direction";
import { linkTo, pathOfFile } from "./path-in-folder";

const CP = "http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1";
const LOM = "http://ltsc.ieee.org/xsd/imsccv1p3/LOM/manifest";
const LINK = "http://www.imsglobal.org/xsd/imsccv1p3/imswl_v1p3";

/** What lies in a cartridge. */
export type Cartridge = {
  pages: { path: string; text: string }[];
  /** Stored files that are put in as they are. */
  files: { path: string; hash: string }[];
};

/** A resource of the manifest. */
type Resource = { id: string; type: string; path: string };

/**
 * A collection with everything inside as 1EdTech Common Cartridge 1.3 for a learning platform: collections and sections are
 * its units, in order; a link is a web link, a file and a note are web content, and each unit begins with a page that says
 * why everything stands there.
 * @param content what readers see
 */
export function cartridgeOf({ collection }: EditionContent): Cartridge {
  const made: Made = { pages: [], resources: [], files: new Map() };
  const units = unitOf(collection, made);
  const page = (path: string, text: Markup) => ({ path, text: forXml(text.text) });
  return {
    pages: [
      page("imsmanifest.xml", manifest(collection, units, made.resources)),
      ...made.pages.map(({ path, text }) => page(path, text)),
    ],
    files: [...made.files].map(([path, hash]) => ({ path, hash })),
  };
}

type Made = {
  pages: { path: string; text: Markup }[];
  resources: Resource[];
  files: Map<string, string>;
};

function manifest(collection: EditionCollection, units: Markup, resources: readonly Resource[]): Markup {
  return x`<?xml version="1.0" encoding="UTF-8"?>
<manifest identifier="m-${collection.id}" xmlns="${CP}" xmlns:lomm="${LOM}"><metadata><schema>IMS Common Cartridge</schema><schemaversion>1.3.0</schemaversion><lomm:lom><lomm:general><lomm:title><lomm:string language="${collection.language || "en"}">${collection.title}</lomm:string></lomm:title>${collection.description ? x`<lomm:description><lomm:string language="${collection.language || "en"}">${collection.description}</lomm:string></lomm:description>` : null}</lomm:general></lomm:lom></metadata>
<organizations><organization identifier="o-1" structure="rooted-hierarchy"><item identifier="root">${units}</item></organization></organizations>
<resources>${resources.map(({ id, type, path }) => x`<resource identifier="${id}" type="${type}"${type === "webcontent" ? x` href="${linkTo(path)}"` : null}><file href="${linkTo(path)}"/></resource>\n`)}</resources></manifest>
`;
}

/** A collection: what stands before its first section, its sections, and those in it. */
function unitOf(one: EditionCollection, made: Made): Markup {
  const own = one.sections.map((section) => {
    if (section.id === null && !section.items.length) return null;
    const about = section.id === null ? one.description : plainText(section.intro);
    const inner = x`${overview(section.id ?? one.id, section.title || one.title, about, section.items, one.language, made)}${section.items.map((item) => (item.look === "text" ? null : entry(item, one.language, made)))}`;
    return section.id === null ? inner : unit(section.id, section.title, inner);
  });
  return unit(one.id, one.title, x`${own}${one.inside.map((each) => unitOf(each, made))}`);
}

const unit = (id: string, title: string, inner: Markup): Markup =>
  x`<item identifier="u-${id}"><title>${title}</title>${inner}</item>\n`;

/** The page a unit begins with; none where nothing is said. */
function overview(
  id: string,
  title: string,
  about: string,
  items: readonly EditionItem[],
  language: string,
  made: Made,
): Markup | null {
  if (!about && !items.some((item) => item.context || item.look === "text")) return null;
  const body = x`${paragraphs(about)}${items.map((item) =>
    item.look === "text"
      ? x`${item.heading ? x`<h2>${item.heading}</h2>` : null}${paragraphs(item.description)}`
      : x`<h2>${item.address && !item.file ? x`<a href="${item.address}">${item.heading || item.title}</a>` : x`${item.heading || item.title}`}</h2>${paragraphs(item.context)}`,
  )}`;
  return webPage(`overview-${id}`, `Overview: ${title}`, body, language, made);
}

/** An item of the unit, and the resource behind it. */
function entry(item: EditionItem, language: string, made: Made): Markup {
  const title = item.heading || item.title || "Untitled";
  if (item.file) {
    const path = pathOfFile(item.file);
    made.files.set(path, item.file.hash);
    return resource({ id: `f-${item.id}`, type: "webcontent", path }, title, made);
  }
  if (/^https?:/i.test(item.address)) {
    const path = `links/${item.id}.xml`;
    made.pages.push({
      path,
      text: x`<?xml version="1.0" encoding="UTF-8"?>\n<webLink xmlns="${LINK}"><title>${title}</title><url href="${item.address}" target="_blank"/></webLink>\n`,
    });
    return resource({ id: `l-${item.id}`, type: "imswl_xmlv1p3", path }, title, made);
  }
  const said = x`${item.quotation ? x`<blockquote>${paragraphs(item.quotation)}</blockquote>` : null}${paragraphs(item.description)}${paragraphs(item.context)}`;
  return webPage(item.id, title, said, item.language || language, made);
}

function webPage(id: string, title: string, body: Markup, language: string, made: Made): Markup {
  const path = `pages/${id}.html`;
  made.pages.push({
    path,
    text: x`<!doctype html>\n<html lang="${language || "en"}"${isRightToLeft(language) ? x` dir="rtl"` : null}><head><meta charset="utf-8"><title>${title}</title></head><body><h1>${title}</h1>${body}</body></html>\n`,
  });
  return resource({ id: `p-${id}`, type: "webcontent", path }, title, made);
}

function resource(one: Resource, title: string, made: Made): Markup {
  made.resources.push(one);
  return x`<item identifier="i-${one.id}" identifierref="${one.id}"><title>${title}</title></item>\n`;
}

const paragraphs = (text: string): Markup[] =>
  text
    .split(/\n+/)
    .filter((line) => line.trim())
    .map((line) => x`<p>${line.trim()}</p>`);
