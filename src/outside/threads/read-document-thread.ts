import mammoth from "mammoth";
import { bookOf } from "@/core/formats/office/epub";
import { officeHtml } from "@/core/formats/office/office-html";
import { type DocumentProperties, officeProperties } from "@/core/formats/office/properties";
import { Locked, officeKind, type OfficeKind } from "@/core/formats/office/unpack";
import { languageBeside } from "@/core/text/language-of";
import { plainText } from "@/core/text/plain";
import { sanitise } from "@/core/text/sanitise";
import { decodePage } from "../fetch/decode";
import { sign } from "./read-page-thread";

type Read = {
  copy: { html: string; text: string; signature: string };
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
    const { html, properties, ...rest } = kind === "epub" ? readBook(body) : await readOffice(body, kind);
    const clean = sanitise(html);
    const text = plainText(clean);
    // Whoever makes a book says what it is in; a word processor says so unasked.
    const language = kind === "epub" ? properties.language : languageBeside(properties.language, text);
    return {
      copy: { html: clean, text, signature: sign(text) },
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
  ...{ copy: { html: "", text: "", signature: "" }, pages: null, properties: null, cover: null },
  locked: true,
};

function readPlain(body: Uint8Array): Read {
  const text = decodePage(Buffer.from(body), undefined).slice(0, 1_000_000);
  const html = text
    .split(/\n{2,}/)
    .map(
      (part) =>
        `<p>${part.replace(/[&<>]/g, (sign) => `&#${sign.charCodeAt(0)};`).replace(/\n/g, "<br>")}</p>`,
    )
    .join("");
  return { copy: { html, text, signature: sign(text) }, pages: null, properties: null, cover: null };
}

async function readOffice(body: Uint8Array, kind: Exclude<OfficeKind, "epub">) {
  const { html, pages } =
    kind === "docx"
      ? { html: (await mammoth.convertToHtml({ buffer: Buffer.from(body) })).value, pages: null }
      : officeHtml(body, kind);
  return { html, pages, properties: officeProperties(body, kind), cover: null };
}

function readBook(body: Uint8Array) {
  const { html, properties, cover } = bookOf(body);
  return { html, pages: null, properties, cover };
}
