import { elementsOf, wordsOf, type XmlElement, xmlTree } from "../xml-tree";
import { type OfficeKind, unpack } from "./unpack";

/** What a document says of itself. */
export type DocumentProperties = { title: string | null; authors: string[]; language: string | null };
export const NO_PROPERTIES: DocumentProperties = { title: null, authors: [], language: null };

/** Names of files, and what programs write where nobody wrote a title; common practice. */
const NO_TITLE =
  /\.(?:docx?|odt|pptx?|odp|xlsx?|indd|qxd|qxp|tex|dvi|pdf|rtf|pages|key|html?|txt|png|jpe?g|tiff?)$|^(?:microsoft |untitled|unbenannt|sans titre|sin t\u00edtulo|document\d*$|slide \d+$|powerpoint[- ]|pr\u00e4sentation\d*$|unknown$)/i;
/** What programs write where nobody has a name; common practice. */
const NO_AUTHOR =
  /^(?:administrator|admin|user|owner|author|unknown|microsoft office user|openpyxl|python-docx|apache poi|un-named|default|student|lenovo|hp|acer|asus|dell|windows user|calibre.*)$/i;
const TAG = /^[a-z]{2,3}(?:-[a-z0-9]{2,8})*$/i;

/**
 * Properties as far as somebody wrote them.
 * @param said as it stands in the document; several authors may stand in one text, with semicolons between them
 */
export function clean(said: {
  title?: string | null;
  authors?: readonly string[];
  language?: string | null;
}): DocumentProperties {
  const title = (said.title ?? "").replace(/\s+/g, " ").trim();
  const language = (said.language ?? "").trim().replace(/_/g, "-");
  const authors = (said.authors ?? [])
    .flatMap((text) => text.split(/\s*;\s*/))
    .map((name) => name.replace(/\s+/g, " ").trim())
    .filter((name) => name && name.length <= 200 && !NO_AUTHOR.test(name));
  return {
    title: title && !NO_TITLE.test(title) ? title.slice(0, 500) : null,
    authors: [...new Set(authors)].slice(0, 50),
    language: TAG.test(language) && !/^(?:und|zxx|mul|x-)/i.test(language) ? language.slice(0, 35) : null,
  };
}

/**
 * What a packed document says of itself: Office Open XML's core properties (ECMA-376, part 2, 11), OpenDocument's metadata
 * (ISO/IEC 26300, 4.3). The language is that of its words where none is named.
 * @param bytes the whole file, within the bounds `officeKind` has seen to
 */
export function officeProperties(bytes: Uint8Array, kind: Exclude<OfficeKind, "epub">): DocumentProperties {
  const wanted = ["docProps/core.xml", "word/styles.xml", "meta.xml", "styles.xml"];
  const { read } = unpack(bytes, (name) => wanted.includes(name));
  const isOpen = kind.startsWith("od");
  const root = xmlTree(read(isOpen ? "meta.xml" : "docProps/core.xml"));
  const said = root && isOpen ? elementsOf(root, "office:meta")[0] : root;
  const one = (...names: string[]) => (said ? wordsOf(first(said, names)) : "");
  return clean({
    title: one("dc:title"),
    // Who wrote it first; OpenDocument's creator is whoever saved it last.
    authors: [isOpen ? one("meta:initial-creator", "dc:creator") : one("dc:creator")],
    language:
      one("dc:language") ||
      (isOpen ? ofOpenStyles(read("styles.xml")) : ofWordStyles(read("word/styles.xml"))),
  });
}

const first = (parent: XmlElement, names: readonly string[]): XmlElement | undefined =>
  names.flatMap((name) => elementsOf(parent, name)).find((one) => wordsOf(one).trim());

/** The language words are in that say no other. */
const ofWordStyles = (xml: string): string =>
  /<w:lang\b[^>]*\bw:val="([\w-]+)"/.exec(xml.slice(0, xml.indexOf("</w:docDefaults>")))?.[1] ?? "";

function ofOpenStyles(xml: string): string {
  const style =
    /<style:default-style\b[^>]*style:family="paragraph"[^]{0,4000}?<\/style:default-style>/.exec(xml)?.[0] ??
    "";
  const language = /\bfo:language="([a-z]{2,3})"/.exec(style)?.[1] ?? "";
  const country = /\bfo:country="([A-Z]{2})"/.exec(style)?.[1];
  return country && language ? `${language}-${country}` : language;
}
