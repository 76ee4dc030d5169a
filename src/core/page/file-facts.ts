import type { Kind, PageFacts } from "./facts";

const DOCUMENTS =
  /^(application\/(pdf|msword|rtf|epub\+zip|vnd\.(openxmlformats|oasis|ms-)[\w.+-]*)|text\/(csv|rtf))$/;

/**
 * The kind of a file by its media type, or null when Hobbin does not know what to do with it.
 * @param mime a media type, without parameters
 */
export function kindOfFile(mime: string): Kind | null {
  if (DOCUMENTS.test(mime)) return "document";
  const family = mime.split("/")[0];
  return family === "image" ? "picture" : family === "audio" ? "sound" : family === "video" ? "video" : null;
}

/**
 * Facts about an address that gives a file: its kind, and its name as title.
 * @param disposition the Content-Disposition header, whose filename comes before that of the address (RFC 6266)
 */
export function readFile(kind: Kind, address: string, mime: string, disposition: string | null): PageFacts {
  const name = fileName(disposition) ?? lastStep(address);
  return {
    kind,
    title: name
      ? name
          .replace(/\.[a-z0-9]{1,5}$/i, "")
          .replace(/[_+]+/g, " ")
          .trim() || name
      : null,
    description: null,
    siteName: null,
    authors: [],
    published: null,
    language: null,
    licence: null,
    pictures: kind === "picture" ? [address] : [],
    words: null,
    pages: null,
    seconds: null,
    player: kind === "video" || kind === "sound" ? { type: "file", address, mime } : null,
    canonical: null,
    oembed: null,
  };
}

function fileName(disposition: string | null): string | null {
  const extended = /filename\*\s*=\s*UTF-8''([^;]+)/i.exec(disposition ?? "")?.[1];
  const plain = /filename\s*=\s*"?([^";]+)"?/i.exec(disposition ?? "")?.[1];
  return (extended ? decode(extended.trim()) : plain?.trim()) || null;
}

function lastStep(address: string): string | null {
  const step = new URL(address).pathname.split("/").filter(Boolean).at(-1);
  return step ? decode(step) : null;
}

function decode(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}
