import { escape } from "./html";

/** More than so many a sitemap may not have (https://www.sitemaps.org/protocol.html). */
const MOST_PAGES = 50_000;

/** Pages to be found by search engines, by the sitemaps protocol 0.9. */
export const sitemap = (pages: readonly { address: string; changed: Date }[]): string =>
  `<?xml version="1.0" encoding="UTF-8"?>\n<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${pages
    .slice(0, MOST_PAGES)
    .map(
      ({ address, changed }) =>
        `<url><loc>${escape(address)}</loc><lastmod>${changed.toISOString().slice(0, 19)}Z</lastmod></url>`,
    )
    .join("")}</urlset>\n`;
