import { mkdtemp, open, rm, writeFile } from "node:fs/promises";
import os from "node:os";
import path from "node:path";
import { fileTypeFromBuffer } from "file-type";
import { parseBuffer, parseFile } from "music-metadata";
import type { Kind } from "@/core/page/facts";
import { kindOfFile } from "@/core/page/file-facts";
import { escape } from "@/core/publish/html";
import { filmLength, type ReadAt } from "@/core/formats/film-length";
import { clean as cleanProperties } from "@/core/formats/office/properties";
import { languageBeside } from "@/core/text/language-of";
import { countWords } from "@/core/text/minutes";
import { heicInThread, officeInThread } from "../threads/in-thread";
import type { PictureInside } from "../threads/read-document-thread";
import { sign, type StoredCopy } from "../threads/read-page-thread";
import { readPdf } from "./poppler";

/** What could be read from a file. */
export type DocumentFacts = {
  /** Media type by the content; what the name claims counts only for text. */
  type: string;
  kind: Kind;
  title: string | null;
  authors: string[];
  /** As it says itself; null where only its text could tell. */
  language: string | null;
  words: number | null;
  pages: number | null;
  seconds: number | null;
  copy: StoredCopy | null;
  /** The pictures that stand in its text. */
  inside: PictureInside[];
  /** A picture of it, of which a thumbnail can be made. */
  picture: Buffer | null;
  /** Why there is no text of it, where there might be one. */
  lacks: "scanned" | "locked" | null;
};

/** Formats that are texts with no signature of their own; their ending has to be believed. */
const BY_ENDING: Record<string, string> = {
  txt: "text/plain",
  md: "text/markdown",
  csv: "text/csv",
  html: "text/html",
  htm: "text/html",
  svg: "image/svg+xml",
  rtf: "text/rtf",
};

/**
 * The media type of a file by its content, and by its name only where the content says nothing.
 * @param head its first bytes
 * @param name what it was called where it came from, which is believed only where bytes say nothing
 */
export async function typeOfFile(head: Buffer, name: string): Promise<string> {
  const found = await fileTypeFromBuffer(head).catch(() => undefined);
  if (found && found.mime !== ("application/xml" as string)) return found.mime;
  const text = head.subarray(0, 4096);
  if (/<svg[\s>]/i.test(text.toString("latin1"))) return "image/svg+xml";
  if (text.includes(0)) return "application/octet-stream";
  const ending = /\.([a-z0-9]+)$/i.exec(name)?.[1]?.toLowerCase() ?? "";
  return BY_ENDING[ending] ?? "text/plain";
}

/**
 * Reads what is in a file: its text, length, a picture of it. Never throws for what the file contains.
 * @param content the whole file
 * @param name what it was called where it came from
 */
export async function readDocument(content: Buffer, name: string): Promise<DocumentFacts> {
  const type = await typeOfFile(content, name);
  const facts: DocumentFacts = {
    type,
    kind: kindOfFile(type) ?? "document",
    title: null,
    authors: [],
    language: null,
    words: null,
    pages: null,
    seconds: null,
    copy: null,
    inside: [],
    picture: null,
    lacks: null,
  };
  if (type === "application/pdf") return { ...facts, ...(await pdf(content)) };
  // Office documents with a password are packed into the older container (MS-OFFCRYPTO 2.3).
  if (type === "application/x-cfb")
    return { ...facts, kind: "document", lacks: content.includes(ENCRYPTED) ? "locked" : null };
  if (/officedocument|opendocument|epub/.test(type) || type === "application/zip")
    return { ...facts, ...(await packed(content)) };
  if (/^image\/hei[cf]/.test(type))
    return { ...facts, kind: "picture", picture: await heicInThread(content) };
  if (type.startsWith("image/")) return { ...facts, picture: content };
  if (/^(audio|video)\//.test(type))
    return {
      ...facts,
      ...(await media(
        () => parseBuffer(content, { mimeType: type }),
        (at, length) => Promise.resolve(content.subarray(at, at + length)),
        content.length,
      )),
    };
  if (/^text\/(plain|markdown|csv)$/.test(type)) {
    return { ...facts, kind: "document", ...(await packed(content, true)) };
  }
  return facts;
}

const ENCRYPTED = Buffer.from("EncryptedPackage", "utf16le");

async function packed(content: Buffer, plain = false): Promise<Partial<DocumentFacts>> {
  const office = await officeInThread(content, plain);
  if (!office) return {};
  if (office.locked) return { kind: "document", lacks: "locked" };
  return {
    kind: "document",
    ...(office.properties ?? {}),
    copy: office.copy,
    inside: office.inside,
    pages: office.pages,
    words: countWords(office.copy.text) || null,
    picture: office.cover && Buffer.from(office.cover),
  };
}

/** Length and title of a sound or film that is too large to be read at once. */
export async function readMediaFile(file: string) {
  const opened = await open(file);
  try {
    const read: ReadAt = async (at, length) => {
      const { buffer, bytesRead } = await opened.read(Buffer.alloc(length), 0, length, at);
      return buffer.subarray(0, bytesRead);
    };
    return await media(() => parseFile(file, { skipCovers: false }), read, (await opened.stat()).size);
  } finally {
    await opened.close();
  }
}

async function media(parse: () => ReturnType<typeof parseBuffer>, read: ReadAt, bytes: number) {
  try {
    const { format, common } = await parse();
    const cover = common.picture?.[0]?.data;
    // The length of a track of sound; a film may have none.
    const seconds = format.duration || (await filmLength(read, bytes));
    return {
      seconds: seconds ? Math.round(seconds) || 1 : null,
      title: common.title ?? null,
      authors: common.artists ?? (common.artist ? [common.artist] : []),
      picture: cover ? Buffer.from(cover) : null,
    };
  } catch {
    return {};
  }
}

async function pdf(content: Buffer): Promise<Partial<DocumentFacts>> {
  const folder = await mkdtemp(path.join(os.tmpdir(), "hobbin-pdf-"));
  try {
    const file = path.join(folder, "file.pdf");
    await writeFile(file, content);
    const found = await readPdf(file);
    if (found === "locked") return { lacks: "locked" };
    if (!found) return {};
    const text = found.text.replace(/\f/g, "\n\n").trim();
    const letters = text.match(/\p{L}/gu)?.length ?? 0;
    const html = `${paragraphs(text)}${linkList(found.links)}`;
    return {
      ...cleanProperties({
        ...found,
        language: found.language ?? languageBeside(languageOfCatalog(content), text),
      }),
      pages: found.pages,
      words: countWords(text) || null,
      copy: text.length > 40 ? { html, text, signature: sign(text) } : null,
      picture: found.picture,
      lacks: found.pages && letters < LEAST_LETTERS * found.pages ? "scanned" : null,
    };
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** Pages with fewer letters than this, one with another, are pictures: a heading or a number of a page is more. */
const LEAST_LETTERS = 12;

const paragraphs = (text: string): string =>
  text
    .split(/\n\s*\n/)
    .map((part) =>
      part
        .replace(/(\p{L})-\n(?=\p{Ll})/gu, "$1")
        .replace(/\s*\n\s*/g, " ")
        .trim(),
    )
    .filter(Boolean)
    .map((part) => `<p>${escape(part)}</p>`)
    .join("\n");

/**
 * The language a PDF says it is in (ISO 32000-1, 14.9.2.1), which poppler does not tell; null where its catalog is packed with
 * others, and its words have to tell.
 */
function languageOfCatalog(content: Buffer): string | null {
  const at = content.lastIndexOf("/Catalog");
  if (at < 0) return null;
  const from = Math.max(content.lastIndexOf(" obj", at), at - 4_000);
  const end = content.indexOf("endobj", at);
  const object = content.subarray(from, end < 0 ? at + 4_000 : Math.min(end, at + 4_000)).toString("latin1");
  return /\/Lang\s*\(([A-Za-z]{2,3}(?:-[A-Za-z0-9]{2,8})*)\)/.exec(object)?.[1] ?? null;
}

/** Text taken out of a PDF has lost where it led; the addresses stand behind it. */
const linkList = (links: readonly string[]): string =>
  links.length
    ? `\n<h2>Links</h2>\n<ul>${links.map((link) => `<li><a href="${escape(link)}">${escape(link)}</a></li>`).join("")}</ul>`
    : "";
