import { unzipWithin } from "../unzip";

/** What a packed file may become when unpacked; beyond it is a bomb or nothing that is read here. */
const MOST_UNPACKED = 120_000_000;
const MOST_FILES = 20_000;

class NotReadable extends Error {}
/** What is in it is encrypted. */
export class Locked extends NotReadable {}

/** Files of a packed document, as bytes and as text. */
export type Unpacked = {
  names: ReadonlySet<string>;
  files: ReadonlyMap<string, Uint8Array>;
  /** The text of a file; empty when there is none. */
  read: (name: string) => string;
};

/**
 * Unpacks what is wanted of a document.
 * @param bytes the whole file
 * @param wanted whether a file in it is wanted, by its name
 * @throws {NotReadable} for bombs and broken archives
 */
export function unpack(bytes: Uint8Array, wanted: (name: string) => boolean): Unpacked {
  try {
    const { files, names } = unzipWithin(bytes, wanted, { bytes: MOST_UNPACKED, files: MOST_FILES });
    const read = (name: string) => {
      const file = files.get(name);
      return file ? new TextDecoder(markOf(file)).decode(file) : "";
    };
    return { files, names, read };
  } catch (error) {
    throw new NotReadable((error as Error).message);
  }
}

/** XML is UTF-8, or UTF-16 with a mark before it (XML 1.0, 4.3.3). */
const markOf = ([a, b]: Uint8Array): string =>
  a === 0xff && b === 0xfe ? "utf-16le" : a === 0xfe && b === 0xff ? "utf-16be" : "utf-8";

export type OfficeKind = "docx" | "xlsx" | "pptx" | "odt" | "ods" | "odp" | "epub";

/**
 * Looks into a packed document: which kind it is, and that it stays within bounds, whatever it says of itself.
 * @param bytes the whole file
 * @throws {NotReadable} for bombs, broken archives and archives that are no document
 * @throws {Locked} where a password, or somebody's leave, is needed to read it
 */
export function officeKind(bytes: Uint8Array): OfficeKind {
  const { names, read } = unpack(bytes, (name) =>
    ["mimetype", "META-INF/manifest.xml", "META-INF/encryption.xml"].includes(name),
  );
  if (names.has("word/document.xml")) return "docx";
  if (names.has("xl/workbook.xml")) return "xlsx";
  if (names.has("ppt/presentation.xml")) return "pptx";
  const type = read("mimetype").trim();
  if (type === "application/epub+zip" || names.has("META-INF/container.xml")) {
    // Letters are often made unreadable for others; a text that is cannot be read.
    if (/xmlenc#(?:aes|kw-aes|tripledes)/.test(read("META-INF/encryption.xml")))
      throw new Locked("protected");
    return "epub";
  }
  if (names.has("content.xml") && type) {
    if (/<manifest:encryption-data/.test(read("META-INF/manifest.xml"))) throw new Locked("protected");
    if (type.endsWith(".text")) return "odt";
    if (type.endsWith(".spreadsheet")) return "ods";
    if (type.endsWith(".presentation")) return "odp";
  }
  throw new NotReadable("no document");
}
