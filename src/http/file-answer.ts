import { Readable } from "node:stream";
import { ofLength } from "./length";

/**
 * A file to be saved, under its name (RFC 6266: a plain name for old clients, the real one beside it).
 * @param file with its length in bytes, where it is a stream of which that is known
 */
export function fileAnswer(file: {
  name: string;
  type: string;
  content: string | Buffer | Readable;
  bytes?: number;
}): Response {
  const { content, bytes = content instanceof Readable ? undefined : Buffer.byteLength(content) } = file;
  return new Response((content instanceof Readable ? Readable.toWeb(content) : content) as BodyInit, {
    headers: {
      "content-type": file.type,
      "content-disposition": disposition("attachment", file.name),
      "content-security-policy": "sandbox",
      "x-content-type-options": "nosniff",
      "cache-control": "no-store",
      ...(bytes !== undefined && ofLength(bytes)),
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
