import mammoth from "mammoth";
import { bookOf } from "@/core/formats/office/epub";
import { officeHtml } from "@/core/formats/office/office-html";
import { type DocumentProperties, officeProperties } from "@/core/formats/office/properties";
import { Locked, officeKind, type OfficeKind, unpack } from "@/core/formats/office/unpack";
import {
  INSIDE,
  markPicturesInside,
  MOST_PICTURES,
  takeOutPictures,
  type TextPicture,
} from "@/core/page/text-pictures";
import { languageBeside } from "@/core/text/language-of";
import { MOST_CHARACTERS } from "@/core/text/kept-part";
import { plainText } from "@/core/text/plain";
import { sanitise, withoutEmpty } from "@/core/text/sanitise";
import { decodePage } from "../fetch/decode";
import { sign } from "./read-page-thread";

/** A picture that stands in the text of a document: as it lies in the file, and behind how much of the text. */
export type PictureInside = { content: Uint8Array; alt: string; at: number };

type Read = {
  copy: { html: string; text: string; signature: string };
  /** The pictures of its text, in the order of their places. */
  inside: PictureInside[];
  pages: number | null;
  properties: DocumentProperties | null;
  /** The picture on its cover, where it has one. */
  cover: Uint8Array | null;
  /** It is there, and nobody can read it without a password. */
  locked?: boolean;
};
export type OfficeAnswer = Read | null;

/** The text of an office document, a book, or a plain text file. Null where there is none or the file is broken. */
export default async function work({
  body,
  plain,
}: {
  body: Uint8Array;
  plain?: boolean;
}): Promise<OfficeAnswer> {
  if (plain) return readPlain(body);
  try {
    const kind = officeKind(body);
    const { html, properties, pictures, ...rest } =
      kind === "epub" ? readBook(body) : await readOffice(body, kind);
    const marked = markPicturesInside(html);
    const taken = takeOutPictures(sanitise(marked.html, { formulas: true }), marked.pictures);
    const clean = withoutEmpty(taken.html);
    const text = plainText(clean);
    // Whoever makes a book says what it is in; a word processor says so unasked.
    const language = kind === "epub" ? properties.language : languageBeside(properties.language, text);
    return {
      copy: { html: clean, text, signature: sign(text) },
      inside: withContents(taken.pictures, pictures ?? packedPictures(body, taken.pictures)),
      properties: { ...properties, language },
      ...rest,
    };
  } catch (error) {
    if (error instanceof Locked) return LOCKED;
    if (error instanceof Error) return null;
    throw error;
  }
}

const LOCKED: Read = {
  ...{ copy: { html: "", text: "", signature: "" }, inside: [], pages: null, properties: null, cover: null },
  locked: true,
};

function readPlain(body: Uint8Array): Read {
  const text = decodePage(Buffer.from(body), undefined).slice(0, MOST_CHARACTERS);
  const html = text
    .split(/\n{2,}/)
    .map(
      (part) =>
        `<p>${part.replace(/[&<>]/g, (sign) => `&#${sign.charCodeAt(0)};`).replace(/\n/g, "<br>")}</p>`,
    )
    .join("");
  const copy = { html, text, signature: sign(text) };
  return { copy, inside: [], pages: null, properties: null, cover: null };
}

/** The pictures of a document by the names its text has for them; null: they are looked for in the file by these. */
type Pictures = ReadonlyMap<string, Uint8Array> | null;

async function readOffice(body: Uint8Array, kind: Exclude<OfficeKind, "epub">) {
  const read = kind === "docx" ? await readWords(body) : { ...officeHtml(body, kind), pictures: null };
  return { ...read, properties: officeProperties(body, kind), cover: null };
}

async function readWords(body: Uint8Array) {
  const pictures = new Map<string, Uint8Array>();
  const bound = new Bound();
  const convertImage = mammoth.images.imgElement(async (image) => {
    const content = pictures.size < MOST_PICTURES ? await image.readAsBuffer() : null;
    if (!content || !bound.fits(content)) return { src: "" };
    pictures.set(String(pictures.size), content);
    return { src: `${INSIDE}${pictures.size - 1}` };
  });
  const { value: html } = await mammoth.convertToHtml({ buffer: Buffer.from(body) }, { convertImage });
  return { html, pages: null, pictures };
}

function readBook(body: Uint8Array) {
  const { html, properties, cover } = bookOf(body);
  return { html, pages: null, properties, cover, pictures: null };
}

/** So many bytes of pictures are taken out of one document, as they lie in it. */
const MOST_BYTES = 40_000_000;
class Bound {
  private left = MOST_BYTES;
  fits({ length }: Uint8Array): boolean {
    if (length > this.left) return false;
    this.left -= length;
    return true;
  }
}

function packedPictures(body: Uint8Array, named: readonly TextPicture[]): Pictures {
  const names = new Set(named.map(({ address }) => address));
  if (!names.size) return null;
  return unpack(body, (name) => names.has(name)).files;
}

function withContents(placed: readonly TextPicture[], pictures: Pictures): PictureInside[] {
  const bound = new Bound();
  return placed.flatMap(({ address, alt, at }) => {
    const content = pictures?.get(address);
    return content && bound.fits(content) ? [{ content, alt, at }] : [];
  });
}
