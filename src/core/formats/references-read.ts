import { plugins } from "@citation-js/core";
import "@citation-js/plugin-bibtex";
import "@citation-js/plugin-ris";
import { type CslItem, readCslItem } from "../cite/csl-read";
import { isDoi } from "../cite/identifiers";
import { plainText } from "../text/plain";
import { bareDoiText, bibtexEntries } from "./bibtex-entries";
import { bareLink, emptyFolder, type ImportedFile, type PassedOver } from "./imported";

export type ReferenceFormat = "ris" | "bibtex" | "csl-json";

/**
 * Reads a list of references. RIS and BibTeX/BibLaTeX are read by citation-js, record by record, so that one that
 * is broken does not take the others with it; CSL-JSON is read as it stands.
 * @param file the text of the list
 * @param format as `readAny` found it
 */
export function readReferences(file: string, format: ReferenceFormat): ImportedFile {
  const root = emptyFolder();
  const passedOver: PassedOver[] = [];
  for (const record of records(file, format)) {
    const found = readRecord(record, format);
    if (!found) {
      passedOver.push({ text: record.trim(), why: "broken" });
      continue;
    }
    for (const { item, keywords, address, others } of found) {
      const { title: own, address: url, abstract, keyword, note, ...reference } = readCslItem(item);
      const title = own || namedBy(reference.fields);
      if (!title) {
        passedOver.push({ text: record.trim(), why: "nameless" });
        continue;
      }
      // Many lists have a DOI as one of the addresses only.
      const inAddress = [address, ...others].map(doiOf).find(Boolean);
      if (inAddress) reference.fields.DOI ??= inAddress;
      const doi = reference.fields.DOI;
      root.children.push(
        bareLink(address || url || (doi && isDoi(doi) ? `https://doi.org/${doi}` : ""), {
          title: titleOf(title),
          context: [plainText(note || abstract).slice(0, 4000), ...others.map((one) => `Also at ${one}`)]
            .filter(Boolean)
            .join("\n"),
          tagText: keywords || keyword,
          reference,
        }),
      );
    }
  }
  return { root, passedOver };
}

const doiOf = (address: string): string | undefined =>
  /^https?:\/\/(?:dx\.)?doi\.org\/(10\.\d{4,9}\/\S+)$/i.exec(address)?.[1];

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
  return bibtexEntries(file);
}

/** What names a work that has no title: what it stands in, and where in it. */
const namedBy = ({
  "container-title": container,
  volume,
  issue,
  page,
}: Partial<Record<string, string>>): string =>
  container
    ? [[container, volume && (issue ? `${volume}(${issue})` : volume)].filter(Boolean).join(" "), page]
        .filter(Boolean)
        .join(", ")
    : "";

/** `others`: more addresses of the same work. */
type Found = { item: CslItem; keywords: string; address: string; others: string[] };

function readRecord(record: string, format: ReferenceFormat): Found[] | null {
  try {
    if (format === "csl-json")
      return [{ item: JSON.parse(record) as CslItem, keywords: "", address: "", others: [] }];
    return format === "ris" ? readRis(record) : readBibtex(record);
  } catch {
    return null;
  }
}

const itemsOf = (record: string, forceType: string): CslItem[] =>
  plugins.input.chain(record, { forceType, generateGraph: false }) as CslItem[];

function readBibtex(record: string): Found[] {
  const keywords = field(record, "keywords") ?? field(record, "keyword") ?? "";
  const [address = "", ...others] = addressesIn(
    [field(record, "url"), field(record, "howpublished")].filter(Boolean).join(" "),
  );
  return itemsOf(record, "@biblatex/text").map((item) => ({
    ...{ item: withoutOthers(item), keywords, address, others },
  }));
}

/** Types of references RIS 2011 knows, and older ones; what a program made up is a general work. */
const RIS_TYPES = new Set(
  "ABST ADVS AGGR ANCIENT ART BILL BLOG BOOK CASE CHAP CHART CLSWK COMP CONF CPAPER CTLG DATA DBASE DICT EBOOK ECHAP EDBOOK EJOUR ELEC ENCYC EQUA FIGURE GEN GOVDOC GRNT HEAR ICOMM INPR JFULL JOUR LEGAL MANSCPT MAP MGZN MPCT MULTI MUSIC NEWS PAMP PAT PCOMM RPRT SER SLIDE SOUND STAND STAT THES UNBILL UNPB VIDEO WEB".split(
    " ",
  ),
);

function readRis(record: string): Found[] {
  const known = record.replace(/^TY {2}- *(\S*).*$/m, (line, type: string) =>
    RIS_TYPES.has(type.toUpperCase()) ? line : "TY  - GEN",
  );
  // What a part stands in has an older tag, too; of a whole book it is the title.
  const inBook = /^T[I1] {2}-/m.test(known) && !/^(?:T2|JO) {2}-/m.test(known);
  const named = inBook ? known.replace(/^BT {2}-/m, "T2  -") : known;
  const values = (tag: string) =>
    [...record.matchAll(new RegExp(`^${tag} {2}- *(.+)$`, "gm"))].map((one) => one[1]!.trim());
  // The RIS reader wants a DOI in a form many files do not use.
  const [doi] = values("DO");
  const [address = "", ...others] = addressesIn(values("UR").join(" "));
  // A year may stand beside a whole date.
  const [dated = []] = values("(?:PY|Y1|DA)")
    .map((value) => /^(\d{4})(?:\/(\d{1,2})?)?(?:\/(\d{1,2})?)?/.exec(value) ?? [])
    .toSorted((a, b) => b.filter(Boolean).length - a.filter(Boolean).length);
  const [, year, month, day] = dated;
  // Who edited what a part stands in, and the day a page was seen, which the RIS reader passes over.
  const editors = values("ED").map((name) => {
    const [family, given] = name.split(/,\s*/);
    return given ? { family, given } : { literal: name };
  });
  const seen = /^(\d{4})\/(\d{1,2})\/(\d{1,2})/.exec(values("Y2")[0] ?? "");
  const parts = [year, month, day].slice(0, month ? (day ? 3 : 2) : 1).map(Number);
  return itemsOf(named, "@ris/file").map((item) => ({
    item: {
      ...withoutOthers(item),
      ...(doi && !item.DOI ? { DOI: bareDoiText(doi) } : {}),
      ...(year && { issued: { "date-parts": [parts] } }),
      ...(!item.editor && editors.length && { editor: editors }),
      ...(!item.accessed && seen && { accessed: { "date-parts": [seen.slice(1).map(Number)] } }),
    },
    ...{ keywords: "", address, others },
  }));
}

/** “and others” is no author. */
const withoutOthers = (item: CslItem): CslItem =>
  Object.fromEntries(
    Object.entries(item).map(([name, value]) => [
      name,
      Array.isArray(value) && value.length > 1
        ? value.filter(
            (one: unknown) =>
              !/^others$/i.test(
                String(
                  (one as { family?: string; literal?: string } | null)?.family ??
                    (one as { literal?: string } | null)?.literal ??
                    "",
                ),
              ) || Boolean((one as { given?: string } | null)?.given),
          )
        : value,
    ]),
  );

/** Web addresses in a field, each once. */
const addressesIn = (text: string): string[] => [
  ...new Set(
    [...text.matchAll(/https?:\/\/[^\s{}"<>]+/g)].map((one) =>
      one[0].replace(/[.,;]+$/, "").replace(/\\([_%&#~])/g, "$1"),
    ),
  ),
];

/** The raw text of one field of a BibTeX entry. */
function field(entry: string, name: string): string | undefined {
  const found = new RegExp(`\\b${name}\\s*=\\s*(?:\\{((?:[^{}]|\\{[^{}]*\\})*)\\}|"([^"]*)")`, "i").exec(
    entry,
  );
  return (found?.[1] ?? found?.[2])?.trim();
}
