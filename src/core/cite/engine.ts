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

type Engine = InstanceType<typeof CSL.Engine>;
/** An engine, and the items it asks for by their ids. */
type Ready = { engine: Engine; items: Map<string, Record<string, unknown>> };

/**
 * Engines by style and locale, the last used at the end: to read a style takes longer than to set a page in it. They hold
 * nothing of what was cited before.
 */
const ready = new Map<string, Ready>();
const MOST = 4;

function engineOf({ style, locale, localeXml }: StyleFiles): Ready {
  const key = `${locale}\n${style}`;
  const known = ready.get(key);
  ready.delete(key);
  const items: Ready["items"] = known?.items ?? new Map<string, Record<string, unknown>>();
  const made = known ?? {
    items,
    engine: new CSL.Engine(
      { retrieveLocale: localeXml, retrieveItem: (id) => items.get(id)! },
      style,
      locale,
      true,
    ),
  };
  if (ready.size >= MOST) ready.delete(ready.keys().next().value!);
  ready.set(key, made);
  return made;
}

/**
 * An engine that has read some works, each once, in their order. It is used again for the next ones: what it says is to be
 * taken from it at once.
 * @throws when the style cannot be read
 */
export function engineFor(works: readonly Work[], files: StyleFiles): Engine {
  const { engine, items } = engineOf(files);
  try {
    engine.updateItems([]);
    items.clear();
    for (const work of works) items.set(work.id, { ...cslItem(work), id: work.id });
    engine.setOutputFormat("html");
    // It would put addresses into links as they are.
    engine.opt.development_extensions.wrap_url_and_doi = false;
    engine.updateItems([...items.keys()]);
  } catch (error) {
    // What it holds now nobody knows.
    for (const [key, one] of ready) if (one.engine === engine) ready.delete(key);
    throw error;
  }
  return engine;
}
