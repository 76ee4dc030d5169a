import { attributeOf, INSIDE } from "../../page/text-pictures";
import { escape } from "../../publish/html";
import { elementsOf, wordsOf, type XmlElement, xmlTree } from "../xml-tree";
import { clean, type DocumentProperties, NO_PROPERTIES } from "./properties";
import { type Unpacked, unpack } from "./unpack";

/** So many characters of all chapters together. */
const MOST_LENGTH = 4_000_000;

export type Book = {
  html: string;
  properties: DocumentProperties;
  /** The picture on its cover. */
  cover: Uint8Array | null;
};

/**
 * A book (EPUB 2 and 3): its chapters in the order they are read in, one after the other, what it says of itself, and its
 * cover. Notes, contents and what is out of that order stay out (EPUB 3.3, 5.7 "The spine element").
 * @param bytes the whole file, within the bounds `officeKind` has seen to
 */
export function bookOf(bytes: Uint8Array): Book {
  const parts = unpack(bytes, (name) => /\.(?:x?html?|opf|xml)$/i.test(name));
  const at = rootOf(parts);
  const root = xmlTree(parts.read(at));
  if (!root) return { html: "", properties: NO_PROPERTIES, cover: null };
  const folder = at.slice(0, at.lastIndexOf("/") + 1);
  const manifest = inside(root, "manifest", "item").map(({ attributes }) => attributes);
  const byId = new Map(manifest.map((item) => [item.id ?? "", item]));
  let html = "";
  for (const { attributes } of inside(root, "spine", "itemref")) {
    const item = byId.get(attributes.idref ?? "");
    if (!item?.href || attributes.linear === "no" || /\bnav\b/.test(item.properties ?? "")) continue;
    if (html.length > MOST_LENGTH) break;
    const place = placeOf(folder, item.href);
    html += bodyOf(parts.read(place), place);
  }
  const coverId = inside(root, "metadata", "meta").find(({ attributes }) => attributes.name === "cover");
  const cover =
    manifest.find((item) => /\bcover-image\b/.test(item.properties ?? "")) ??
    byId.get(coverId?.attributes.content ?? "");
  return {
    html: html.slice(0, MOST_LENGTH),
    properties: propertiesOf(root),
    cover: cover?.href ? pictureAt(bytes, placeOf(folder, cover.href)) : null,
  };
}

/** Where its contents are listed (EPUB Open Container Format, "container.xml"). */
function rootOf({ read, names }: Unpacked): string {
  const container = xmlTree(read("META-INF/container.xml"));
  const named = container && elementsOf(elementsOf(container, "rootfiles")[0] ?? container, "rootfile")[0];
  return named?.attributes["full-path"] ?? [...names].find((name) => name.endsWith(".opf")) ?? "";
}

/** Elements in an element of the package; both with or without a prefix. */
const inside = (root: XmlElement, outer: string, inner: string): XmlElement[] => {
  const found = elementsOf(root, outer, `opf:${outer}`)[0];
  return found ? elementsOf(found, inner, `opf:${inner}`) : [];
};

/** A name in the archive; one that climbs out of it names nothing. */
function placeOf(folder: string, href: string): string {
  const steps: string[] = [];
  let path = href.split("#")[0]!;
  try {
    path = decodeURIComponent(path);
  } catch {
    // Then it is called so.
  }
  for (const step of `${folder}${path}`.split("/"))
    if (step === "..") steps.pop();
    else if (step && step !== ".") steps.push(step);
  return steps.join("/");
}

const bodyOf = (xhtml: string, place: string): string => {
  const from = /<body\b[^>]*>/i.exec(xhtml);
  const end = xhtml.lastIndexOf("</body");
  const body = from ? xhtml.slice(from.index + from[0].length, end < 0 ? undefined : end) : "";
  // What leads from chapter to chapter leads nowhere once they stand behind one another.
  const bare = body.replace(/\shref\s*=\s*(?:"(?!https?:|mailto:)[^"]*"|'(?!https?:|mailto:)[^']*')/gi, "");
  return bare.replace(/<img\b[^<>]*>/gi, (tag) => pictureOf(tag, place.slice(0, place.lastIndexOf("/") + 1)));
};

/** A picture of a chapter, by its name in the book. */
function pictureOf(tag: string, folder: string): string {
  const source = attributeOf(tag, "src");
  if (!source || /^(?:[a-z][a-z0-9+.-]*:|\/\/)/i.test(source)) return "";
  return `<img src="${INSIDE}${escape(placeOf(folder, source))}" alt="${escape(attributeOf(tag, "alt"))}">`;
}

function pictureAt(bytes: Uint8Array, place: string): Uint8Array | null {
  return unpack(bytes, (name) => name === place).files.get(place) ?? null;
}

/** What its metadata say (Dublin Core; EPUB 3.3, 5.5.3). */
function propertiesOf(root: XmlElement): DocumentProperties {
  const metadata = elementsOf(root, "metadata", "opf:metadata")[0];
  const all = (name: string) =>
    metadata ? elementsOf(metadata, `dc:${name}`).map((one) => wordsOf(one).replace(/\s+/g, " ").trim()) : [];
  return clean({ title: all("title")[0], authors: all("creator"), language: all("language")[0] });
}
