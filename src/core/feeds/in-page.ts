import { Parser } from "htmlparser2";
import { resolveReference } from "../address/read-address";

/** A feed a page names. */
export type NamedFeed = { address: string; title: string };

const TYPES = /^application\/(?:rss\+xml|atom\+xml|feed\+json|rdf\+xml)\s*(?:;|$)/i;
/** So many a page may name; more nobody chooses from. */
const MOST = 20;

/**
 * The feeds a page names: `link` elements that lead to the same in the form of a feed (HTML, 4.6.7.1: `alternate` with the
 * type of a feed; the first one is the page's own).
 * @param html a page
 * @param at its address
 */
export function feedsInPage(html: string, at: string): NamedFeed[] {
  const found = new Map<string, NamedFeed>();
  let base = at;
  const parser = new Parser(
    {
      onopentag(name, attributes) {
        if (name === "base" && attributes.href && base === at)
          base = resolveReference(attributes.href, at) ?? at;
        if (name !== "link" || found.size >= MOST) return;
        const { rel = "", type = "", href = "", title = "" } = attributes;
        if (!rel.toLowerCase().split(/\s+/).includes("alternate") || !TYPES.test(type.trim())) return;
        const address = resolveReference(href.trim(), base);
        if (!address || !/^https?:/.test(address) || found.has(address)) return;
        found.set(address, { address, title: title.replace(/\s+/g, " ").trim().slice(0, 200) });
      },
    },
    { decodeEntities: true },
  );
  parser.end(html);
  return [...found.values()];
}
