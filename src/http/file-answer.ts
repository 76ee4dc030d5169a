import { Readable } from "node:stream";

/** A file to be saved, under its name (RFC 6266: a plain name for old clients, the real one beside it). */
export function fileAnswer(file: {
  name: string;
  type: string;
  content: string | Buffer | Readable;
}): Response {
  const { content } = file;
  return new Response((content instanceof Readable ? Readable.toWeb(content) : content) as BodyInit, {
    headers: {
      "content-type": file.type,
      "content-disposition": disposition("attachment", file.name),
      "content-security-policy": "sandbox",
      "x-content-type-options": "nosniff",
      "cache-control": "no-store",
    },
  });
}

/**
 * The header that names a file.
 * @param how whether the browser shows it or stores it
 * @param name of the file, in any letters
 */
export function disposition(how: "attachment" | "inline", name: string): string {
  const exact = encodeURIComponent(name).replace(/['()*]/g, (c) => `%${c.charCodeAt(0).toString(16)}`);
  return `${how}; filename="${name.replace(/[^\x20-\x7e]|["\\]/g, "_")}"; filename*=UTF-8''${exact}`;
}
