/** As far as declarations of an encoding are looked for: HTML lays down 1,024 bytes, and pages have more before. */
const HEAD = 4_096;

/**
 * The encoding of a file or a page, the same rule in the browser and on the server: a byte order mark; valid UTF-8 is UTF-8,
 * whatever is claimed; what the server says that sent it; what an XML declaration says (XML 1.0, 4.3.3); what a `meta`
 * element says (HTML standard, "determining the character encoding"); else Western European.
 * @param bytes the whole file
 * @param decodes whether an encoding of this name can be decoded
 * @param contentType what came with it over HTTP, if it did
 * @returns a label of the Encoding standard (WHATWG)
 */
export function encodingOf(bytes: Uint8Array, decodes: (label: string) => boolean, contentType = ""): string {
  const [a, b, c] = bytes;
  if (a === 0xff && b === 0xfe) return "utf-16le";
  if (a === 0xfe && b === 0xff) return "utf-16be";
  if ((a === 0xef && b === 0xbb && c === 0xbf) || isUtf8(bytes)) return "utf-8";
  const said = /charset\s*=\s*"?([\w.:-]+)/i.exec(contentType)?.[1];
  if (said && decodes(said)) return said;
  // Bytes as they are: what declares an encoding is ASCII in all that may be declared.
  const head = Array.from(bytes.subarray(0, HEAD), (byte) => String.fromCharCode(byte)).join("");
  const declared =
    /^\s*<\?xml\s[^>]*?encoding\s*=\s*["']([\w.:-]+)/.exec(head)?.[1] ??
    /<meta\s[^>]*?charset\s*=\s*["']?\s*([\w.:-]+)/i.exec(head)?.[1];
  // A file that says so in single bytes is none of two.
  return declared && !/^utf-?16/i.test(declared) && decodes(declared) ? declared : "windows-1252";
}

function isUtf8(bytes: Uint8Array): boolean {
  try {
    new TextDecoder("utf-8", { fatal: true }).decode(bytes);
    return true;
  } catch {
    return false;
  }
}
