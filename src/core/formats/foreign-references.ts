/**
 * Reference lists of programs that write none of the open formats, or only as one of several: EndNote's, tagged and XML;
 * those of citation indexes (ISI); library records (MODS); lists of medical articles (XML).
 */
export const FOREIGN = ["endnote", "endnote-xml", "isi", "mods", "pubmed"] as const;
export type Foreign = (typeof FOREIGN)[number];
/** So long such a list may be, in characters. */
export const LONGEST_FOREIGN = 6_000_000;

/**
 * Which of these a text is; null: none. By what stands in it, as endings are shared (.txt, .xml).
 * @param text the whole of a file
 * @throws {Error} with words for the person where it is a list nobody reads here
 */
export function foreignFrom(text: string): Foreign | null {
  const head = text.slice(0, 4_000);
  if (/^\s*</.test(head)) {
    const root = head.slice(/^(?:\s|<\?[^>]*>|<!--[^]*?-->|<![^>]*>)*/.exec(head)![0].length);
    if (/^<(?:mods:)?mods(?:Collection)?[\s>]/.test(root)) return "mods";
    if (/^<(?:PubmedArticleSet|PubmedArticle|MedlineCitation(?:Set)?)[\s>]/.test(root)) return "pubmed";
    if (/^<(?:b:)?Sources\s[^>]*officeDocument\/2006\/bibliography/.test(root))
      throw new Error(
        "These are the sources of a word processor, which are not read here. Export them as RIS or BibTeX, or bring in the document itself.",
      );
    return /^<(?:xml|records)>/.test(root) && /<ref-type[\s>]/.test(root) ? "endnote-xml" : null;
  }
  if (/^%0 \S/m.test(head) && /^%[A-Z] /m.test(head)) return "endnote";
  return /^(?:FN |VR |PT [A-Z])/m.test(head) && /^PT [A-Z]/m.test(head) && /^(?:AU|TI|UT) /m.test(head)
    ? "isi"
    : null;
}

/**
 * Authors that are institutions. EndNote marks them by a comma behind the name; everybody else's name has one inside it.
 * @returns their names, without the comma
 */
export function institutionsIn(from: Foreign, text: string): string[] {
  const tagged = /^%[AE] ([^,\r\n]{2,300}),[ \t]*$/gm;
  const inXml = /<author>(?:<style[^>]*>)?([^<,]{2,300}),\s*(?:<\/style>)?<\/author>/g;
  const pattern = from === "endnote" ? tagged : from === "endnote-xml" ? inXml : null;
  return pattern
    ? [...new Set([...text.matchAll(pattern)].map((one) => one[1]!.trim()))].slice(0, 2_000)
    : [];
}

/** A page of the web is written down as software by the program that reads these lists. */
export const withWebPages = (mods: string): string =>
  mods.replace(
    /<typeOfResource>software, multimedia<\/typeOfResource>(\s*)<genre authority="marcgt">web page<\/genre>/g,
    '$1<genre authority="bibutilsgt">electronic</genre>',
  );

/** A journal by its short name, as it stands before its whole one in what comes of these lists, is not what it is called. */
export const withWholeNames = (ris: string): string => ris.replace(/^T2 {2}- .*\r?\n(?=JO {2}- )/gm, "");

/** A DOI of an EndNote list has a field for numbers of any kind; one that is an address is kept. */
export const withAddresses = (from: Foreign, text: string): string =>
  from === "endnote"
    ? text.replace(/^%R +(?:doi:\s*)?(10\.\d{4,9}\/\S+)[ \t]*$/gim, "%U https://doi.org/$1")
    : text;
