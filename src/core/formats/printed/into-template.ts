import { strFromU8, strToU8, zipSync, type Zippable } from "fflate";
import { Parser } from "htmlparser2";
import { NotUnpacked, unzipWithin } from "../unzip";

/** Why a file cannot be a template, in words. */
export class TemplateRefused extends Error {}

/** Word processors' templates have some hundred kB; with pictures a few MB. */
export const LARGEST_TEMPLATE = 8_000_000;
const BOUNDS = { bytes: 60_000_000, files: 2_000 };
/** A paragraph of the template that says this and nothing else gives way to the collection. */
const PLACE = "[collection]";

const DOCUMENT = "word/document.xml";
const RELATIONS = "word/_rels/document.xml.rels";
const TYPES = "[Content_Types].xml";
const STYLES = "word/styles.xml";
const NUMBERING = "word/numbering.xml";
const MAIN = "application/vnd.openxmlformats-officedocument.wordprocessingml";
const OFFICE = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";

type Package = Map<string, Uint8Array>;

/**
 * Puts what stands in a document of ours into a school's own (WordprocessingML, ECMA-376 part 1): its styles, letterhead,
 * margins and pages are the template's; styles it does not have come along. A style is the same where its name is the same,
 * since names are English in every language and ids are not.
 * @param template .docx or .dotx of anybody
 * @param ours as `docxDocument` makes it
 * @returns the document, with the same bytes for the same two files
 * @throws {TemplateRefused} when it is no template, holds programs, or is built to be large
 */
export function intoTemplate(template: Uint8Array, ours: Uint8Array): Uint8Array {
  const into = opened(template);
  const from = unzipWithin(ours, () => true, BOUNDS).files;
  const styles = mergedStyles(into, from);
  const numbers = mergedNumbering(into, from);
  const relations = mergedRelations(into, from);
  const content = bodyOf(text(from, DOCUMENT))
    .blocks.filter((one) => one.name !== "w:sectPr")
    .map((one) => one.xml)
    .join("");
  const moved = withValues(content, { styles, numbers, relations });
  const document = text(into, DOCUMENT);
  const body = bodyOf(document);
  const place = body.blocks.find((one) => one.name === "w:p" && wordsOf(one.xml) === PLACE);
  // Without a place of its own it stands behind whatever is there, before the last section's look.
  const last = body.blocks.at(-1);
  const at = place ?? (last?.name === "w:sectPr" ? { start: last.start, end: last.start } : body.inside);
  const start = place ? place.start : at === body.inside ? body.inside.end : at.start;
  const end = place ? place.end : start;
  const whole = document.slice(0, start) + moved + document.slice(end);
  into.set(DOCUMENT, strToU8(withNamespaces(whole, text(from, DOCUMENT))));
  // Who wrote it, and what it is called, is no longer what the template said.
  const about = from.get("docProps/core.xml");
  if (about && into.has("docProps/core.xml")) into.set("docProps/core.xml", about);
  into.set(TYPES, strToU8(mergedTypes(text(into, TYPES), into)));
  return packed(into);
}

/** The package, without what would ask another site when it is opened. */
function opened(template: Uint8Array): Package {
  if (template.length > LARGEST_TEMPLATE) throw new TemplateRefused("This template is larger than 8 MB.");
  const found = () => {
    try {
      return unzipWithin(template, () => true, BOUNDS).files;
    } catch (error) {
      if (error instanceof NotUnpacked)
        throw new TemplateRefused("This is no document of a word processor (DOCX), or it is damaged.");
      throw error;
    }
  };
  const files = found();
  for (const needed of [DOCUMENT, TYPES])
    if (!files.has(needed)) throw new TemplateRefused("This is no document of a word processor (DOCX).");
  // A file that was cut off lacks some of what it says is in it.
  const listed = [...text(files, TYPES).matchAll(/PartName="\/([^"]+)"/g)].map((one) => one[1]!);
  if (!listed.every((name) => files.has(name)))
    throw new TemplateRefused("A part of this document is missing: it is damaged.");
  if ([...files.keys()].some((name) => /vbaProject|activeX|\/embeddings\//i.test(name)))
    throw new TemplateRefused("There are programs or other files inside it. Save it without them, as .docx.");
  for (const [name, bytes] of files) {
    if (!name.endsWith(".rels")) continue;
    const xml = strFromU8(bytes);
    files.set(name, strToU8(xml.replace(/<Relationship\s[^>]*>/g, (one) => (asksOutside(one) ? "" : one))));
  }
  return files;
}

/** A link waits until it is followed; anything else from outside is fetched at once. */
const asksOutside = (relation: string): boolean =>
  /TargetMode="External"/i.test(relation) && !/Type="[^"]*\/hyperlink"/.test(relation);

const text = (files: Package, name: string): string => strFromU8(files.get(name) ?? new Uint8Array());

type Span = { start: number; end: number };
type BlockXml = Span & { name: string; xml: string };

/** What stands directly in an element, with where it begins and ends. */
function childrenOf(xml: string, parent: string): { blocks: BlockXml[]; inside: Span } {
  const blocks: BlockXml[] = [];
  let depth = 0;
  /** Depth of the parent; 0: it has not begun. */
  let within = 0;
  let begun = 0;
  const inside = { start: -1, end: -1 };
  const parser = new Parser(
    {
      onopentag(name) {
        depth++;
        if (!within && name === parent) {
          within = depth;
          inside.start = parser.endIndex + 1;
        } else if (within && depth === within + 1) begun = parser.startIndex;
      },
      onclosetag(name) {
        if (within && depth === within + 1) {
          const end = parser.endIndex + 1;
          blocks.push({ name, start: begun, end, xml: xml.slice(begun, end) });
        } else if (within && depth === within && inside.end < 0) inside.end = parser.startIndex;
        depth--;
        if (depth < within) within = -1;
      },
    },
    { xmlMode: true },
  );
  parser.end(xml);
  return { blocks, inside };
}

function bodyOf(document: string): { blocks: BlockXml[]; inside: Span } {
  const found = childrenOf(document, "w:body");
  if (found.inside.start < 0)
    throw new TemplateRefused("There is no text in this document that could be filled.");
  return found;
}

const wordsOf = (xml: string): string =>
  [...xml.matchAll(/<w:t(?:\s[^>]*)?>([^<]*)<\/w:t>/g)]
    .map((one) => one[1])
    .join("")
    .trim();

const attribute = (xml: string, name: string): string | undefined =>
  new RegExp(`\\b${name}="([^"]*)"`).exec(xml)?.[1];

/** Our ids of styles, by those of the template; what it does not have comes along. */
function mergedStyles(into: Package, from: Package): Map<string, string> {
  const theirs = text(into, STYLES);
  if (!theirs) {
    into.set(STYLES, from.get(STYLES)!);
    addPart(into, "styles", "styles.xml", `${MAIN}.styles+xml`);
    return new Map();
  }
  const nameOf = (style: string) =>
    (attribute(/<w:name\b[^>]*>/.exec(style)?.[0] ?? "", "w:val") ?? "").toLowerCase();
  const stylesIn = (xml: string) =>
    childrenOf(xml, "w:styles").blocks.filter((one) => one.name === "w:style");
  const known = new Map(stylesIn(theirs).map(({ xml }) => [nameOf(xml), attribute(xml, "w:styleId") ?? ""]));
  const taken = new Set(known.values());
  const ids = new Map<string, string>();
  const coming: string[] = [];
  for (const { xml } of stylesIn(text(from, STYLES))) {
    const id = attribute(xml, "w:styleId") ?? "";
    const same = known.get(nameOf(xml));
    if (same !== undefined) ids.set(id, same);
    else {
      const free = taken.has(id) ? `Hobbin${id}` : id;
      ids.set(id, free);
      // The template says what is usual; ours is none of it.
      coming.push(xml.replace(/\sw:default="[^"]*"/, "").replace(`w:styleId="${id}"`, `w:styleId="${free}"`));
    }
  }
  const added = coming
    .join("")
    .replace(/<w:(basedOn|next|link)\b([^>]*)w:val="([^"]*)"/g, (_, tag, rest, id) => {
      return `<w:${tag}${rest}w:val="${ids.get(id as string) ?? id}"`;
    });
  const whole = theirs.replace(/<\/w:styles>\s*$/, () => `${added}</w:styles>`);
  into.set(STYLES, strToU8(withNamespaces(whole, text(from, STYLES))));
  return ids;
}

/** Our numbers of lists, counted on from the template's. */
function mergedNumbering(into: Package, from: Package): Map<string, string> {
  const ours = text(from, NUMBERING);
  if (!ours) return new Map();
  const theirs = text(into, NUMBERING);
  if (!theirs) {
    into.set(NUMBERING, from.get(NUMBERING)!);
    addPart(into, "numbering", "numbering.xml", `${MAIN}.numbering+xml`);
    return new Map();
  }
  const highest = (pattern: RegExp) =>
    [...theirs.matchAll(pattern)].reduce((most, one) => Math.max(most, Number(one[1])), 0) + 1;
  const [abstracts, numbers] = [
    highest(/w:abstractNumId="(\d+)"/g),
    highest(/<w:num\s[^>]*w:numId="(\d+)"/g),
  ];
  const ids = new Map<string, string>();
  const blocks = childrenOf(ours, "w:numbering").blocks;
  const moved = (name: string) =>
    blocks
      .filter((one) => one.name === name)
      .map(({ xml }) =>
        xml
          .replace(/w:abstractNumId="(\d+)"/, (_, id) => `w:abstractNumId="${Number(id) + abstracts}"`)
          .replace(/(<w:abstractNumId w:val=")(\d+)/, (_, head, id) => `${head}${Number(id) + abstracts}`)
          .replace(/(<w:num\s[^>]*w:numId=")(\d+)/, (_, head, id) => {
            ids.set(id as string, String(Number(id) + numbers));
            return `${head}${Number(id) + numbers}`;
          }),
      )
      .join("");
  // Abstract ones stand before those that use them (ECMA-376, 17.9.17).
  const first = theirs.search(/<w:num\s/);
  const end = theirs.lastIndexOf("</w:numbering>");
  const at = first < 0 ? end : first;
  const whole =
    theirs.slice(0, at) + moved("w:abstractNum") + theirs.slice(at, end) + moved("w:num") + theirs.slice(end);
  into.set(NUMBERING, strToU8(withNamespaces(whole, ours)));
  return ids;
}

/** Our links and pictures, with ids and names of their own. */
function mergedRelations(into: Package, from: Package): Map<string, string> {
  const ids = new Map<string, string>();
  const added: string[] = [];
  for (const [one] of text(from, RELATIONS).matchAll(/<Relationship\s[^>]*>/g)) {
    const [id = "", type = "", target = ""] = ["Id", "Type", "Target"].map((name) => attribute(one, name));
    const isPicture = type.endsWith("/image");
    if (!isPicture && !type.endsWith("/hyperlink")) continue;
    const free = `rIdHobbin${ids.size + 1}`;
    ids.set(id, free);
    const name = isPicture ? target.replace("media/", "media/hobbin-") : target;
    if (isPicture) into.set(`word/${name}`, from.get(`word/${target}`)!);
    added.push(one.replace(`Id="${id}"`, `Id="${free}"`).replace(`Target="${target}"`, `Target="${name}"`));
  }
  addRelations(into, added.join(""));
  return ids;
}

function addRelations(into: Package, added: string): void {
  const xml =
    text(into, RELATIONS) ||
    `<?xml version="1.0" encoding="UTF-8"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"></Relationships>`;
  const whole = xml.replace(/<Relationships([^>]*)\/>/, "<Relationships$1></Relationships>");
  into.set(RELATIONS, strToU8(whole.replace("</Relationships>", () => `${added}</Relationships>`)));
}

/** A part the template did not have. */
function addPart(into: Package, type: string, target: string, content: string): void {
  addRelations(into, `<Relationship Id="rIdHobbin-${type}" Type="${OFFICE}/${type}" Target="${target}"/>`);
  const override = `<Override PartName="/word/${target}" ContentType="${content}"/>`;
  into.set(TYPES, strToU8(text(into, TYPES).replace("</Types>", () => `${override}</Types>`)));
}

type Ids = Record<"styles" | "numbers" | "relations", ReadonlyMap<string, string>>;

/** What stands in our document, by the ids that hold in the template. */
const withValues = (xml: string, { styles, numbers, relations }: Ids): string =>
  xml
    .replace(
      /(<w:(?:pStyle|rStyle|tblStyle)\s+w:val=")([^"]*)/g,
      (_, head, id) => head + (styles.get(id as string) ?? id),
    )
    .replace(/(<w:numId\s+w:val=")([^"]*)/g, (_, head, id) => head + (numbers.get(id as string) ?? id))
    .replace(/(\br:(?:id|embed)=")([^"]*)/g, (_, head, id) => head + (relations.get(id as string) ?? id));

/** Prefixes our part uses and the root of the template's does not know. */
function withNamespaces(theirs: string, ours: string): string {
  const rootOf = (xml: string) => /<w:\w+\s[^>]*>/.exec(xml)?.[0] ?? "";
  const root = rootOf(theirs);
  const missing = [...rootOf(ours).matchAll(/\sxmlns:(\w+)="[^"]*"/g)]
    .filter(([, prefix]) => !new RegExp(`\\sxmlns:${prefix}=`).test(root))
    .map(([whole]) => whole);
  return theirs.replace(root, () => root.replace(/\/?>$/, (end) => missing.join("") + end));
}

/** It is a document now, and may hold pictures. */
function mergedTypes(types: string, into: Package): string {
  const whole = types.replace(`${MAIN}.template.main+xml`, `${MAIN}.document.main+xml`);
  const hasPictures = [...into.keys()].some((name) => name.startsWith("word/media/hobbin-"));
  const isKnown = /<Default\s[^>]*Extension="jpg"/i.test(whole);
  return hasPictures && !isKnown
    ? whole.replace(/(<Types[^>]*>)/, (head) => `${head}<Default Extension="jpg" ContentType="image/jpeg"/>`)
    : whole;
}

const packed = (files: Package): Uint8Array =>
  zipSync(
    Object.fromEntries(
      [...files].map(([name, bytes]): [string, Zippable[string]] => [
        name,
        [bytes, { mtime: new Date(1980, 0, 1), level: /\.(jpe?g|png)$/i.test(name) ? 0 : 6 }],
      ]),
    ),
  );
