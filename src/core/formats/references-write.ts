import { plugins } from "@citation-js/core";
import "@citation-js/plugin-bibtex";
import "@citation-js/plugin-ris";
import { cslItem, NAMES, type Work } from "../cite/csl-item";

export type WrittenReferences = "ris" | "bibtex" | "csl-json";

/** Without the label citation-js makes of family name and title, which two works may share. */
const bibtex = plugins.config.get("@bibtex");
bibtex.format.useIdAsLabel = true;
// With it what has no LaTeX command is left out: every letter of most scripts. So what LaTeX takes for its own is
// written otherwise here.
bibtex.format.asciiOnly = false;
/** LaTeX's special characters, as LaTeX2e has them to be typed: https://latexref.xyz/Reserved-characters.html */
const LATEX: Record<string, string> = {
  "\\": "\\textbackslash{}",
  "{": "\\textbraceleft{}",
  "}": "\\textbraceright{}",
  $: "\\$",
  "&": "\\&",
  "%": "\\%",
  "#": "\\#",
  _: "\\_",
  "~": "\\textasciitilde{}",
  "^": "\\textasciicircum{}",
};
const forLatex = (text: string) =>
  text
    .replace(/[\\{}$&%#_~^]/g, (sign) => LATEX[sign]!)
    // Two of these after each other would become one dash or quotation mark.
    .replace(/([-'`])(?=\1)/g, "$1{}");

/** Text on one line: a break would begin a record's next field, or its end, in formats that go by lines. */
const oneLine = (text: string) => text.replace(/\s+/g, " ").trim();

/** All text of a work on one line; in names nothing that a format takes for its own. */
function onOneLine(work: Work, format: WrittenReferences): Work {
  const own = (text: string) => (format === "bibtex" ? forLatex(oneLine(text)) : oneLine(text));
  // Braces group in BibTeX, and in a name there is no writing them otherwise.
  const asName = (text: string) => own(format === "bibtex" ? text.replace(/[{}\\]/g, " ") : text);
  const isPlain = (field: string) => /^(URL|DOI|ISBN|ISSN|accessed)$/.test(field);
  const isName = (field: string) => (NAMES as readonly string[]).includes(field);
  return {
    ...work,
    title: own(work.title),
    authors: work.authors.map(asName).filter(Boolean),
    siteName: own(work.siteName),
    tags: work.tags.map(own),
    context: own(work.context),
    details: Object.fromEntries(
      Object.entries(work.details).map(([field, text]) => [
        field,
        isName(field) ? asName(text) : isPlain(field) ? oneLine(text) : own(text),
      ]),
    ),
  };
}

/** A key of letters and digits, as BibTeX wants it: family name, year, and the end of the id, which keeps it apart. */
function key({ authors, published, id }: Work): string {
  const family = (authors[0]?.split(",")[0]?.split(" ").at(-1) ?? "item")
    .normalize("NFKD")
    .replace(/[^A-Za-z]/g, "")
    .toLowerCase();
  return `${family || "item"}${published?.slice(0, 4) ?? ""}${id.replace(/-/g, "").slice(-6)}`;
}

/** 1: b, 2: c, … 26: bb. */
const letters = (n: number): string =>
  (n > 25 ? letters(Math.floor(n / 26)) : "") + String.fromCharCode(97 + (n % 26));

/**
 * A list of references as RIS, BibTeX or CSL-JSON. citation-js takes its time, so this runs in a thread.
 * @param works each once, in the order in which they are to stand
 */
export function writeReferences(works: readonly Work[], format: WrittenReferences): string {
  const keys = new Map<string, number>();
  const items = works.map((work) => {
    const clean = onOneLine(work, format);
    const item: Record<string, unknown> = { id: key(clean), ...cslItem(clean) };
    // Those that end alike are told apart by a letter, as people do it.
    const times = keys.get(item.id as string) ?? 0;
    keys.set(item.id as string, times + 1);
    return times ? { ...item, id: `${String(item.id)}${letters(times)}` } : item;
  });
  if (format === "csl-json") return `${JSON.stringify(items, null, 2)}\n`;
  const output = String(plugins.output.format(format, items));
  if (format === "bibtex") return `${output.trim()}\n`;
  // citation-js breaks what is longer than 70 characters in the middle of words and addresses. No value has two blanks
  // after each other, so that every line with a tag is one.
  const written = output.replace(/\n(?![A-Z][A-Z0-9] {2}-)(?=.)/g, "");
  // citation-js leaves keywords out of RIS; each stands on a line of its own there.
  const tags = works.map((work) => work.tags.map((tag) => `KW  - ${oneLine(tag)}\n`).join(""));
  let at = 0;
  return `${written.replace(/^ER {2}-/gm, () => `${/KW {2}-/.test(written) ? "" : (tags[at++] ?? "")}ER  -`).trim()}\n`;
}
