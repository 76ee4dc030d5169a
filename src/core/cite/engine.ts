import CSL from "citeproc";
import { cslItem, type Work } from "./csl-item";

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
 * An engine that has read some works, each once, in their order.
 * @throws when the style cannot be read
 */
export function engineFor(
  works: readonly Work[],
  { style, locale, localeXml }: StyleFiles,
): InstanceType<typeof CSL.Engine> {
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
  return engine;
}
