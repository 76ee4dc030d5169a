import { mkdtemp, rm, writeFile } from "node:fs/promises";
import os from "node:os";
import path from "node:path";
import { fileTypeFromBuffer } from "file-type";
import { parseBuffer, parseFile } from "music-metadata";
import type { Kind } from "@/core/page/facts";
import { kindOfFile } from "@/core/page/file-facts";
import { escape } from "@/core/publish/html";
import { countWords } from "@/core/text/minutes";
import { heicInThread, officeInThread } from "../threads/in-thread";
import { sign, type StoredCopy } from "../threads/read-page-thread";
import { readPdf } from "./poppler";

/** What could be read from a file. */
export type DocumentFacts = {
  /** Media type by the content; what the name claims counts only for text. */
  type: string;
  kind: Kind;
  title: string | null;
  authors: string[];
  words: number | null;
  pages: number | null;
  seconds: number | null;
  copy: StoredCopy | null;
  /** A picture of it, of which a thumbnail can be made. */
  picture: Buffer | null;
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
    words: null,
    pages: null,
    seconds: null,
    copy: null,
    picture: null,
  };
  if (type === "application/pdf") return { ...facts, ...(await pdf(content)) };
  if (/officedocument|opendocument/.test(type) || type === "application/zip") {
    const office = await officeInThread(content);
    return office
      ? {
          ...facts,
          kind: "document",
          copy: office.copy,
          pages: office.pages,
          words: countWords(office.copy.text) || null,
        }
      : facts;
  }
  if (/^image\/hei[cf]/.test(type))
    return { ...facts, kind: "picture", picture: await heicInThread(content) };
  if (type.startsWith("image/")) return { ...facts, picture: content };
  if (/^(audio|video)\//.test(type))
    return { ...facts, ...(await media(() => parseBuffer(content, { mimeType: type }))) };
  if (/^text\/(plain|markdown|csv)$/.test(type)) {
    const office = await officeInThread(content, true);
    return {
      ...facts,
      kind: "document",
      copy: office?.copy ?? null,
      words: office ? countWords(office.copy.text) || null : null,
    };
  }
  return facts;
}

/** Length and title of a sound or film that is too large to be read at once. */
export const readMediaFile = (file: string) => media(() => parseFile(file, { skipCovers: false }));

async function media(parse: () => ReturnType<typeof parseBuffer>) {
  try {
    const { format, common } = await parse();
    const cover = common.picture?.[0]?.data;
    return {
      seconds: format.duration ? Math.round(format.duration) || 1 : null,
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
    if (!found) return {};
    const text = found.text.replace(/\f/g, "\n\n").trim();
    const html = text
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
    return {
      // Word processors put the name of their own file there.
      title:
        found.title && !/\.(docx?|indd|qxd|tex|dvi|pdf)$|^(microsoft|untitled)/i.test(found.title)
          ? found.title
          : null,
      authors: found.author && !/^(administrator|user|owner)$/i.test(found.author) ? [found.author] : [],
      pages: found.pages,
      words: countWords(text) || null,
      copy: text.length > 40 ? { html, text, signature: sign(text) } : null,
      picture: found.picture,
    };
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
