import CSL from "citeproc";
import { cslItem, type Work } from "./csl-item";
import { plainRuns, type Run, runsOf } from "./runs";

/** One entry of a bibliography. */
export type Reference = {
  /** Of the work it is of. */
  id: string;
  /** What stands before it in styles that count, like “[1]”; else empty. */
  label: string;
  runs: Run[];
};

/** A style and what it needs, as the Citation Style Language 1.0 has them (https://citationstyles.org). */
export type StyleFiles = {
  /** The style itself, XML. */
  style: string;
  /** The locale that is wished for, as `de-DE`. */
  locale: string;
  /** The XML of a locale; of American English for those there are none of. */
  localeXml: (name: string) => string;
};

/**
 * The bibliography of some works in a style: in the order the style wants, which is their own order in styles that count.
 * @param works each once
 * @throws when the style cannot be read
 */
export function bibliography(works: readonly Work[], { style, locale, localeXml }: StyleFiles): Reference[] {
  const items = new Map(works.map((work) => [work.id, { ...cslItem(work), id: work.id }]));
  const engine = new CSL.Engine(
    { retrieveLocale: localeXml, retrieveItem: (id) => items.get(id)! },
    style,
    locale,
    true,
  );
  engine.setOutputFormat("html");
  // It would put addresses into links as they are.
  engine.opt.development_extensions.wrap_url_and_doi = false;
  engine.updateItems([...items.keys()]);
  const made = engine.makeBibliography();
  if (!made) throw new Error("this style has no bibliography");
  const [{ entry_ids }, entries] = made;
  return entries.map((html, i) => ({ id: entry_ids[i]![0]!, ...runsOf(html) }));
}

/** A bibliography as plain text, an entry a line. */
export const plainBibliography = (entries: readonly Reference[]): string =>
  entries.map(({ label, runs }) => [label, plainRuns(runs)].filter(Boolean).join(" ")).join("\n");
