import { resolveReference } from "../address/read-address";

/** A picture of a page’s text: where it is fetched, what it shows in words, and behind how much of the text it stands. */
export type TextPicture = { address: string; alt: string; at: number };
/** One that is kept. */
export type KeptPicture = { hash: string; alt: string; at: number; width: number; height: number };

/** So many pictures of one text are taken. */
export const MOST_PICTURES = 40;
const LONGEST_ALT = 500;

// Two characters that are none and stand in no text (Unicode, 23.7 "Noncharacters"); any in the page are taken out first.
const IMAGE = /<img\b((?:[^>"']|"[^"]*"|'[^']*')*)>/gi;
const IMAGE_IN_XML = /<img\b([^<>]*)>/gi;
const PLACE = /\ufdd0(\d+)\ufdd1/;
/**
 * The value of an attribute, as serialisers and XML write it; empty where it is not there.
 * @param tag of an element, whole or what stands behind its name
 */
export const attributeOf = (tag: string, name: string): string =>
  unescaped(
    new RegExp(`\\s${name}\\s*=\\s*(?:"([^"]*)"|'([^']*)')`, "i").exec(tag)?.slice(1).find(Boolean) ?? "",
  );
const SIGNS: Record<string, string> = { amp: "&", lt: "<", gt: ">", quot: '"', "#39": "'", nbsp: " " };
const unescaped = (text: string): string =>
  text.replace(/&(amp|lt|gt|quot|#39|nbsp);/g, (_, name: string) => SIGNS[name]!);

/**
 * Puts a mark in the place of each picture of a page, so that it outlives the sanitiser, which lets no picture through.
 * @param html with balanced quotes, as a serialiser writes it
 * @param base what its addresses are relative to
 */
export const markPictures = (html: string, base: string): Marked =>
  mark(html, IMAGE, (source) => {
    const address = resolveReference(source, base);
    return address && /^https?:/.test(address) ? address : null;
  });

/**
 * Puts a mark in the place of each picture that lies in the same file as the text; others are left out.
 * @param html in whose values no angle stands, as in well-formed XML
 */
export const markPicturesInside = (html: string): Marked =>
  mark(html, IMAGE_IN_XML, (source) => (source.startsWith(INSIDE) ? source.slice(INSIDE.length) : null));

/** Before the name of a picture that lies in the same file as the text; no address begins so. */
export const INSIDE = "inside:";

type Marked = { html: string; pictures: Omit<TextPicture, "at">[] };

function mark(html: string, image: RegExp, resolve: (source: string) => string | null): Marked {
  const pictures: Omit<TextPicture, "at">[] = [];
  const marked = html.replace(/[\ufdd0\ufdd1]/g, "").replace(image, (_, tag: string) => {
    const address = resolve(attributeOf(tag, "src"));
    if (pictures.length >= MOST_PICTURES || !address) return "";
    pictures.push({
      address,
      alt: attributeOf(tag, "alt").replace(/\s+/g, " ").trim().slice(0, LONGEST_ALT),
    });
    return `\ufdd0${pictures.length - 1}\ufdd1`;
  });
  return { html: marked, pictures };
}

/** How much text there is in a piece of HTML: its characters as they are written, but for blanks and tags. */
const textIn = (html: string): number => html.replace(/<[^>]*>|\s+/g, "").length;

/**
 * Takes the marks out again.
 * @returns the HTML without them, and the pictures that are left, each with how much text stands before it
 */
export function takeOutPictures(
  html: string,
  pictures: readonly Omit<TextPicture, "at">[],
): { html: string; pictures: TextPicture[] } {
  const parts = html.split(PLACE);
  let at = 0;
  const placed: TextPicture[] = [];
  parts.forEach((part, i) => {
    if (i % 2 === 0) at += textIn(part);
    else if (pictures[Number(part)]) placed.push({ ...pictures[Number(part)]!, at });
  });
  return { html: parts.filter((_, i) => i % 2 === 0).join(""), pictures: placed };
}

/** Between what stands in these, a picture may stand by itself. */
const ROOM = new Set(["div", "section", "article", "blockquote"]);
const NEVER_CLOSED = new Set(["br", "hr", "wbr"]);

/**
 * A reading copy with the pictures that are kept of it, each behind the paragraph, list or table in which its place is. They
 * are no text: what is marked stands where it did.
 * @param html as the sanitiser writes it
 * @param pictures in the order of their places
 */
export function withPictures(html: string, pictures: readonly KeptPicture[]): string {
  if (!pictures.length) return html;
  const open: string[] = [];
  let [at, next, after] = [0, 0, 0];
  let written = "";
  const put = () => {
    while (next < pictures.length && pictures[next]!.at <= at) written += imageOf(pictures[next++]!);
  };
  for (const { 0: tag, 1: slash, 2: name = "", index } of html.matchAll(/<(\/?)([a-z][a-z0-9]*)[^>]*>/g)) {
    if (next >= pictures.length) break;
    const text = html.slice(after, index);
    at += textIn(text);
    written += text;
    // Before something begins, and behind it.
    if (!slash && open.every((one) => ROOM.has(one))) put();
    written += tag;
    after = index + tag.length;
    if (slash) open.pop();
    else if (!NEVER_CLOSED.has(name)) open.push(name);
    if (slash && open.every((one) => ROOM.has(one)) && !INLINE.has(name)) put();
  }
  at = Infinity;
  const rest = html.slice(after);
  if (next >= pictures.length) return written + rest;
  written += rest;
  put();
  return written;
}
/** What runs along in a line ends no paragraph. */
const INLINE = new Set(
  "a b strong i em u s del ins sub sup small code kbd samp q cite abbr mark span time bdi bdo ruby rt rp".split(
    " ",
  ),
);

const imageOf = ({ hash, alt, width, height }: KeptPicture): string =>
  `<img src="/api/pictures/${hash}" alt="${escaped(alt)}" width="${width}" height="${height}" loading="lazy" />`;
const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
