import { html, Markup } from "./html";
import { linkedData } from "./linked-data";
import type { PublishedCollection } from "./model";
import type { ReaderPlaces } from "./reader-places";

/** Wide and high, in pixels: what the Open Graph protocol's users ask for. */
export const CARD = { width: 1_200, height: 630 } as const;

/**
 * What the head says to programs: how the page is called and looks where it is linked to (Open Graph, https://ogp.me), and,
 * of what is public, what it is (schema.org).
 * @param holds what it holds, in words
 */
export function forMachines(collection: PublishedCollection, places: ReaderPlaces, holds: string): Markup {
  const about = collection.description || `${holds}, chosen by ${collection.teamName}`;
  const isPublic = collection.audience === "public";
  const at = places.site + places.self;
  return html`<meta name="description" content="${about}">
${places.site ? html`<link rel="icon" href="/icon.svg" type="image/svg+xml">` : null}
${isPublic ? html`<link rel="canonical" href="${at}">` : html`<meta name="robots" content="noindex">`}
<meta property="og:type" content="website">
<meta property="og:title" content="${collection.title}">
<meta property="og:description" content="${about}">
<meta property="og:site_name" content="${collection.teamName}">
${
  places.site
    ? html`<meta property="og:url" content="${at}">
<meta property="og:image" content="${at}/card.png">
<meta property="og:image:width" content="${CARD.width}"><meta property="og:image:height" content="${CARD.height}">
<meta property="og:image:alt" content="A woven cloth: ${holds}">
<meta name="twitter:card" content="summary_large_image">
<link rel="alternate" type="application/json+oembed" href="${places.site}/api/oembed?format=json&amp;url=${encodeURIComponent(at)}" title="${collection.title}">
${FEEDS.map(([type, ending]) => html`<link rel="alternate" type="${type}" href="${places.self}/feed.${ending}" title="${collection.title}">`)}`
    : null
}
${isPublic ? html`<script type="application/ld+json">${describedIn(collection, at)}</script>` : null}`;
}

const FEEDS = [
  ["application/atom+xml", "atom"],
  ["application/rss+xml", "rss"],
  ["application/feed+json", "json"],
] as const;

/** The collection by the terms of schema.org; `<` is written so that nothing in it ends the script. */
function describedIn(collection: PublishedCollection, at: string): Markup {
  const data = { "@context": "https://schema.org", ...linkedData(collection, { id: at, url: at }) };
  return new Markup(JSON.stringify(data).replace(/</g, "\\u003c"));
}
