import { MOST_PAGES } from "@/core/text/kept-part";
import { runProgram as poppler } from "./program";

export type PdfFacts = {
  text: string;
  pages: number | null;
  title: string | null;
  authors: string[];
  language: string | null;
  /** Where its links lead, each once, in the order of its pages. */
  links: string[];
  picture: Buffer | null;
};

/** So many links are taken. */
const MOST_LINKS = 2_000;

/**
 * What is in a PDF, by Debian's poppler-utils: text, properties, links, first page.
 * @param file the path of a PDF in the file store
 * @returns `locked` where a password is needed; null when it is broken
 */
export async function readPdf(file: string): Promise<PdfFacts | "locked" | null> {
  let info: string;
  try {
    info = (await poppler("pdfinfo", ["-enc", "UTF-8", file])).toString("utf8");
  } catch (error) {
    return /incorrect password/i.test(String((error as { said?: string }).said)) ? "locked" : null;
  }
  const said = (name: string) => new RegExp(`^${name}:\\s*(.+)$`, "m").exec(info)?.[1]?.trim() || null;
  const text = (...args: string[]) =>
    poppler(args[0]!, args.slice(1)).then(
      (bytes) => bytes.toString("utf8"),
      () => "",
    );
  const [words, meta, links, picture] = await Promise.all([
    text("pdftotext", "-enc", "UTF-8", "-l", String(MOST_PAGES), file, "-"),
    text("pdfinfo", "-enc", "UTF-8", "-meta", file),
    text("pdfinfo", "-enc", "UTF-8", "-url", "-l", String(MOST_PAGES), file),
    poppler("pdftoppm", ["-png", "-f", "1", "-l", "1", "-singlefile", "-scale-to", "1000", file]).catch(
      () => null,
    ),
  ]);
  const more = fromXmp(meta);
  return {
    text: words,
    pages: Number(said("Pages")) || null,
    title: said("Title") ?? more.title,
    authors: more.authors.length > 1 ? more.authors : [said("Author") ?? more.authors[0] ?? ""],
    language: more.language,
    links: [
      ...new Set([...links.matchAll(/^\s*\d+\s+\S+\s+(https?:\/\/\S+)\s*$/gm)].map((one) => one[1]!)),
    ].slice(0, MOST_LINKS),
    picture: picture?.length ? picture : null,
  };
}

/** What its metadata say (XMP, ISO 16684-1: Dublin Core in lists of RDF); texts only, whatever else stands there. */
function fromXmp(xml: string): { title: string | null; authors: string[]; language: string | null } {
  const list = (name: string): string[] => {
    const from = xml.indexOf(`<dc:${name}>`);
    const end = from < 0 ? -1 : xml.indexOf(`</dc:${name}>`, from);
    if (end < 0) return [];
    return [...xml.slice(from, end).matchAll(/<rdf:li\b[^>]*>([^<]*)</g)].map((one) =>
      unescaped(one[1]!).trim(),
    );
  };
  return {
    title: list("title")[0] || null,
    authors: list("creator").filter(Boolean),
    language: list("language")[0] || null,
  };
}

const SIGNS: Record<string, string> = { amp: "&", lt: "<", gt: ">", quot: '"', apos: "'" };
const unescaped = (text: string): string =>
  text.replace(
    /&(?:(amp|lt|gt|quot|apos)|#(\d{1,7})|#x([\da-f]{1,6}));/gi,
    (whole, name?: string, ten?: string, hex?: string) => {
      if (name) return SIGNS[name.toLowerCase()]!;
      const code = ten ? Number(ten) : parseInt(hex!, 16);
      return code <= 0x10ffff ? String.fromCodePoint(code) : whole;
    },
  );
