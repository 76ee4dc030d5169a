import { Parser } from "htmlparser2";
import { html as x } from "../publish/html";
import { forXml } from "../text/for-xml";
import { asWeb } from "../formats/opml-read";

/** A feed in a list of feeds. */
export type ListedFeed = { address: string; title: string };

/**
 * The feeds of a list (OPML 2.0, https://opml.org/spec2.opml, "Subscription lists": outlines with an `xmlUrl`), in whatever
 * folders they stand, each once.
 * @param most so many at the most
 * @returns null: it is no such list
 */
export function feedsOfList(file: string, most: number): ListedFeed[] | null {
  const found = new Map<string, ListedFeed>();
  let isOpml = false;
  const parser = new Parser(
    {
      onopentag(name, { xmlUrl, text, title }) {
        if (name.toLowerCase() === "opml") isOpml = true;
        const address = isOpml && name === "outline" ? asWeb(xmlUrl ?? "") : "";
        if (!address || found.has(address) || found.size >= most) return;
        found.set(address, {
          address,
          title: (text || title || "").replace(/\s+/g, " ").trim().slice(0, 200),
        });
      },
    },
    { xmlMode: true, decodeEntities: true },
  );
  parser.end(file);
  return isOpml ? [...found.values()] : null;
}

/** Feeds as a list other readers take (OPML 2.0): `text`, `type` and `xmlUrl` of each. */
export const writeFeedList = (feeds: readonly (ListedFeed & { home: string })[], at: Date): string =>
  forXml(
    x`<?xml version="1.0" encoding="UTF-8"?>
<opml version="2.0"><head><title>Followed</title><dateCreated>${at.toUTCString()}</dateCreated></head><body>
${feeds.map(
  ({ address, title, home }) =>
    x`<outline type="rss" text="${title}" xmlUrl="${address}"${home ? x` htmlUrl="${home}"` : null}/>\n`,
)}</body></opml>
`.text,
  );
