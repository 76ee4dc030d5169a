import { plugins } from "@citation-js/core";
import "@citation-js/plugin-bibtex";
import "@citation-js/plugin-ris";
import { type CslItem, readCslItem } from "../cite/csl-read";
import { isDoi } from "../cite/identifiers";
import { plainText } from "../text/plain";
import { bareLink, emptyFolder, type ImportedFile } from "./imported";

export type ReferenceFormat = "ris" | "bibtex" | "csl-json";

/**
 * Reads a list of references. RIS and BibTeX/BibLaTeX are read by citation-js, record by record, so that one that
 * is broken does not take the others with it; CSL-JSON is read as it stands.
 * @param file the text of the list
 * @param format as `readAny` found it
 */
export function readReferences(file: string, format: ReferenceFormat): ImportedFile {
  const root = emptyFolder();
  let passedOver = 0;
  for (const record of records(file, format)) {
    const found = readRecord(record, format);
    if (!found) {
      passedOver++;
      continue;
    }
    for (const { item, keywords, address } of found) {
      const { title, address: url, abstract, keyword, note, ...reference } = readCslItem(item);
      if (!title) {
        passedOver++;
        continue;
      }
      const doi = reference.fields.DOI;
      root.children.push(
        bareLink(url || address || (doi && isDoi(doi) ? `https://doi.org/${doi}` : ""), {
          title: titleOf(title),
          context: plainText(note || abstract).slice(0, 4000),
          tagText: keywords || keyword,
          reference,
        }),
      );
    }
  }
  return { root, passedOver };
}

/**
 * The words of a title. Lists are full of the marks CSL allows in one (i, b, sup, sub, small capitals) and of entities of the
 * web, which stand for themselves nowhere; what else looks like a tag is somebody's words.
 */
const titleOf = (title: string): string => plainText(title.replace(MARKS, "").replace(/</g, "&lt;"));
const MARKS = /<\/?(?:i|b|em|strong|sup|sub|sc|span|p|br)(?:\s[^<>]*)?\/?>/gi;

function records(file: string, format: ReferenceFormat): string[] {
  if (format === "ris")
    return file
      .replace(/^\uFEFF/, "")
      .split(/^ER {2}-.*$/m)
      .map((record) => record.slice(Math.max(0, record.search(/^TY {2}-/m))).trim())
      .filter(Boolean)
      .map((record) => `${record}\nER  - \n`);
  if (format === "csl-json") {
    const list: unknown = JSON.parse(file);
    return (Array.isArray(list) ? list : [list]).map((one) => JSON.stringify(one));
  }
  return entriesOf(file);
}

/** Cuts a BibTeX file at its entries; braces are counted, so that an @ inside a field does not cut. */
function entriesOf(file: string): string[] {
  const entries: string[] = [];
  const strings: string[] = [];
  for (let at = file.indexOf("@"); at >= 0;) {
    const kind = /^@\s*([a-z]+)\s*[{(]/i.exec(file.slice(at, at + 80));
    if (!kind) {
      at = file.indexOf("@", at + 1);
      continue;
    }
    let depth = 0;
    let end = at;
    for (; end < file.length; end++) {
      if (file[end] === "\\") end++;
      else if (file[end] === "{" || file[end] === "(") depth++;
      else if ((file[end] === "}" || file[end] === ")") && --depth === 0) break;
    }
    // An entry that never ends stops at the next one that begins a line.
    if (end >= file.length) {
      const next = file.slice(at + 1).search(/^@/m);
      end = next < 0 ? file.length : at + next;
    }
    const entry = file.slice(at, end + 1);
    if (/^string$/i.test(kind[1]!)) strings.push(entry);
    else if (!/^(comment|preamble)$/i.test(kind[1]!)) entries.push(entry);
    at = file.indexOf("@", end + 1);
  }
  return entries.map((entry) => (strings.length ? `${strings.join("\n")}\n${entry}` : entry));
}

type Found = { item: CslItem; keywords: string; address: string };

function readRecord(record: string, format: ReferenceFormat): Found[] | null {
  try {
    if (format === "csl-json") return [{ item: JSON.parse(record) as CslItem, keywords: "", address: "" }];
    const forceType = format === "ris" ? "@ris/file" : "@biblatex/text";
    const items = plugins.input.chain(record, { forceType, generateGraph: false }) as CslItem[];
    const keywords = format === "bibtex" ? (field(record, "keywords") ?? field(record, "keyword") ?? "") : "";
    // The RIS reader wants a DOI in a form many files do not use.
    const doi = format === "ris" ? /^DO {2}- (.+)$/m.exec(record)?.[1]?.trim() : undefined;
    return items.map((item) => ({
      item:
        doi && !item.DOI
          ? { ...item, DOI: doi.replace(/^https?:\/\/(dx\.)?doi\.org\/|^doi:\s*/i, "") }
          : item,
      keywords,
      address: "",
    }));
  } catch {
    return null;
  }
}

/** The raw text of one field of a BibTeX entry. */
function field(entry: string, name: string): string | undefined {
  const found = new RegExp(`\\b${name}\\s*=\\s*(?:\\{([^{}]*)\\}|"([^"]*)")`, "i").exec(entry);
  return (found?.[1] ?? found?.[2])?.trim();
}
