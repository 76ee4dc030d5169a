import { KIND_SHAPES } from "../look/kind-shapes";
import { clothSvg, representatives, weave } from "../cover/weave";
import { sayInside } from "../list/course";
import type { Kind } from "../page/facts";
import { isRightToLeft } from "../text/direction";
import { sayMinutes } from "../text/minutes";
import { html, Markup } from "./html";
import {
  type Door,
  type InsideCollection,
  type PublishedCollection,
  type PublishedItem,
  type PublishedSection,
  READER_VIEWS,
  type ReaderView,
  sumUp,
  type Way,
} from "./model";
import { READER_SCRIPT } from "./reader-script";
import { READER_STYLE, readerFonts } from "./reader-style";

export type ReaderPlaces = {
  /** Address of this document, without a query. */
  self: string;
  /** Where a kept picture is served. */
  picture: (hash: string) => string;
  /** Where the file of an item is served. */
  file: (item: PublishedItem) => string;
  /** Folder of the fonts; null when the document must carry itself (a folder on a stick). */
  fonts: string | null;
  /** Address of another collection that readers may see. */
  door: (door: Door) => string;
};

/**
 * One self-contained, accessible HTML document of a collection, for readers: it works with script off, on paper
 * and at 360 px, sets no cookie, and asks nothing of another site before the reader presses play.
 * @param collection what is published
 * @param view how its items are laid out
 * @param places where pictures, files, letters and other collections are found from this page
 */
export function readerDocument(
  collection: PublishedCollection,
  view: ReaderView,
  places: ReaderPlaces,
): string {
  const own = sumUp(collection.sections);
  const within = allInside(collection.inside);
  const items = within.reduce((sum, one) => sum + one.count, own.items);
  const minutes = within.reduce((sum, one) => sum + one.minutes, own.minutes);
  const facts = [
    collection.teamName,
    [
      ...sayInside(within.map((one) => one.title)),
      `${items} ${items === 1 ? "item" : "items"}`,
      ...(minutes ? [sayMinutes(minutes)] : []),
    ].join(", "),
  ];
  let number = 0;
  const document = html`<!doctype html>
<html lang="${collection.language || "en"}"${isRightToLeft(collection.language) ? html` dir="rtl"` : null}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width,initial-scale=1">
<title>${collection.title} · ${collection.teamName}</title>
<meta name="description" content="${collection.description || `${items} items chosen by ${collection.teamName}`}">
<meta property="og:title" content="${collection.title}">
<meta property="og:site_name" content="${collection.teamName}">
${collection.audience === "public" ? null : html`<meta name="robots" content="noindex">`}
<meta name="referrer" content="no-referrer">
<style>${new Markup(READER_STYLE + (places.fonts ? readerFonts(places.fonts) : ""))}</style>
</head>
<body>
<main class="${view}">
${wayUp(collection.way, places)}
${clothOver(collection, places)}
<h1>${collection.title}</h1>
${collection.rich ? html`<div class="lead">${new Markup(collection.rich)}</div>` : collection.description ? html`<p class="lead">${collection.description}</p>` : null}
<div class="facts">${facts.map((fact) => html`<span>${fact}</span>`)}
<nav class="bar" aria-label="View">${READER_VIEWS.map(
    (other) =>
      html`<a href="${places.self}?view=${other}"${other === view ? html` aria-current="true"` : null}>${other[0]!.toUpperCase() + other.slice(1)}</a>`,
  )}<button type="button" data-print hidden>Print</button></nav></div>
${items === 0 ? html`<p class="empty">Nothing stands here yet. Come back later: the address stays the same.</p>` : null}
<div class="parts">${collection.sections.map((section) => (view === "table" ? tablePart(section, places, () => ++number) : part(section, places, () => ++number)))}</div>
${collection.inside.length ? html`<nav class="inside" aria-labelledby="inside"><h2 id="inside">${sayPartsOf(within)}</h2>${listInside(collection.inside, places)}</nav>` : null}
${wayOn(collection.way, places)}
<footer>Put together by ${collection.teamName}. Last changed ${collection.updatedAt.toISOString().slice(0, 10)}.</footer>
</main>
<script>${new Markup(READER_SCRIPT)}</script>
</body>
</html>
`;
  return document.text;
}

/** The width of the column of the page, and the height of its cloth, in pixels. */
const [WIDE, HIGH] = [712, 56];

/** Collections that stand in one, with those in these, from the top down. */
const allInside = (inside: readonly InsideCollection[]): InsideCollection[] =>
  inside.flatMap((one) => [one, ...allInside(one.inside)]);

/** The cloth over the page: one piece, or, of a course, a stretch for each part that holds something, and the way to it. */
function clothOver(collection: PublishedCollection, places: ReaderPlaces): Markup {
  if (collection.cover)
    return html`<div class="cloth"><img src="${places.picture(collection.cover)}" alt=""></div>`;
  const items = collection.sections.flatMap((section) => section.items);
  const own = {
    cloth: {
      threads: items.map(({ kind, minutes, tags }) => ({ kind, minutes, tag: tags[0] ?? null })),
      tags: mostUsedTags(items),
    },
    minutes: items.reduce((sum, item) => sum + (item.minutes ?? 0), 0),
  };
  const parts = allInside(collection.inside).filter((one) => one.count > 0);
  if (!parts.length)
    return html`<div class="cloth">${new Markup(clothSvg(weave(own.cloth.threads, own.cloth.tags, WIDE, HIGH)))}</div>`;
  const all = [...(items.length ? [own] : []), ...parts];
  const minutes = all.reduce((sum, one) => sum + Math.max(1, one.minutes), 0);
  const piece = (one: (typeof all)[number]) => {
    const width = Math.max(24, Math.round((WIDE * Math.max(1, one.minutes)) / minutes));
    return html`<div class="cloth">${new Markup(clothSvg(weave(one.cloth.threads, one.cloth.tags, width, HIGH)))}</div>`;
  };
  const flex = (one: (typeof all)[number]) => new Markup(`flex:${Math.max(1, one.minutes)} 1 24px`);
  return html`<ul class="course">${items.length ? html`<li style="${flex(own)}">${piece(own)}</li>` : null}${parts.map(
    (one) =>
      html`<li style="${flex(one)}">${through(one.door, places, html`${piece(one)}<span>${one.title}</span>`)}</li>`,
  )}</ul>`;
}

/** Something that leads where readers may go; otherwise it only stands there. */
const through = (door: Door | null, places: ReaderPlaces, words: Markup | string): Markup =>
  door ? html`<a href="${places.door(door)}">${words}</a>` : html`${words}`;

/** What stands in the collection, each with its own cloth and how long it takes; and what stands in these. */
const listInside = (inside: readonly InsideCollection[], places: ReaderPlaces): Markup =>
  html`<ul>${inside.map(
    (one) =>
      html`<li><span class="scrap" aria-hidden="true">${scrapOf(one)}</span><span>${through(one.door, places, one.title)} <small>${sayHeld(one)}</small></span>${one.inside.length ? listInside(one.inside, places) : null}</li>`,
  )}</ul>`;

/** A scrap of the cloth of a collection, or of what stands in it where it holds nothing itself. */
function scrapOf(one: InsideCollection): Markup | null {
  const held = [one, ...allInside(one.inside)].filter((each) => each.count > 0);
  const threads = one.count ? one.cloth.threads : held.flatMap((each) => each.cloth.threads);
  const tags = (one.count ? one : held[0])?.cloth.tags ?? [];
  return threads.length ? new Markup(clothSvg(weave(representatives(threads, 64), tags, 96, 32))) : null;
}

const sayHeld = (one: InsideCollection): string => {
  const all = [one, ...allInside(one.inside)];
  const items = all.reduce((sum, each) => sum + each.count, 0);
  const minutes = all.reduce((sum, each) => sum + each.minutes, 0);
  return `${items} ${items === 1 ? "item" : "items"}${minutes ? `, ${sayMinutes(minutes)}` : ""}`;
};

/** “1 unit, 3 weeks”, or what else there is. */
function sayPartsOf(inside: readonly InsideCollection[]): string {
  const said = sayInside(inside.map((one) => one.title)).join(", ");
  return /^\d+ (more )?collections?$/.test(said) ? "Inside this collection" : said;
}

/** Of which course it is a part. */
const wayUp = (way: Way | null, places: ReaderPlaces): Markup | null =>
  way?.above.length
    ? html`<nav class="up" aria-label="Part of">${way.above.map((one) => html`<a href="${places.door(one.door)}">${one.title}</a>`)}</nav>`
    : null;

/** On to what comes next in the course, and back. */
const wayOn = (way: Way | null, places: ReaderPlaces): Markup | null =>
  way && (way.before || way.next)
    ? html`<nav class="on" aria-label="The way through">${way.before ? html`<a rel="prev" href="${places.door(way.before.door)}"><small>Before</small><b>${way.before.title}</b></a>` : html`<span></span>`}${way.next ? html`<a rel="next" href="${places.door(way.next.door)}"><small>Next</small><b>${way.next.title}</b></a>` : null}</nav>`
    : null;

/** Tags by use, for the cover's wefts. */
function mostUsedTags(items: readonly { tags: readonly string[] }[]): string[] {
  const counts = new Map<string, number>();
  for (const tag of items.flatMap((item) => item.tags)) counts.set(tag, (counts.get(tag) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).map(([tag]) => tag);
}

function head(section: PublishedSection): Markup | null {
  if (section.id === null) return null;
  const { minutes } = sumUp([section]);
  return html`<h2>${section.title}${minutes ? html` <small>${sayMinutes(minutes)}</small>` : null}</h2>${section.intro ? html`<div class="intro">${new Markup(section.intro)}</div>` : null}`;
}

function part(section: PublishedSection, places: ReaderPlaces, next: () => number): Markup | null {
  if (section.id === null && !section.items.length) return null;
  return html`<section>${head(section)}
<ol>${section.items.map((item) => (item.look === "text" ? between(item) : entry(item, next(), places)))}</ol></section>
`;
}

/** What leads from one item to the next. */
const between = (item: PublishedItem): Markup =>
  html`<li class="between">${item.heading ? html`<h3>${item.heading}</h3>` : null}<p>${item.description}</p></li>
`;

/** The same as rows of a table, for what is to be looked through and compared. */
function tablePart(section: PublishedSection, places: ReaderPlaces, next: () => number): Markup | null {
  const items = section.items.filter((item) => item.look === "item");
  if (section.id === null && !items.length) return null;
  return html`<section>${head(section)}
<div class="wide"><table><thead><tr><th scope="col">No.</th><th scope="col">What</th><th scope="col">Why it stands here</th><th scope="col">Kind</th><th scope="col">Site</th><th scope="col">Length</th></tr></thead><tbody>${items.map(
    (item) => {
      const address = item.file ? places.file(item) : item.address;
      const title = item.heading || item.title;
      return html`<tr class="item" id="i-${item.id}"><td>${next()}</td><th scope="row">${address ? html`<a href="${address}" rel="noreferrer">${title}</a>` : title}</th><td>${item.context}</td><td>${KIND_WORDS[item.kind]}</td><td>${item.siteName || item.host}</td><td>${item.minutes ? sayMinutes(item.minutes) : null}</td></tr>
`;
    },
  )}</tbody></table></div></section>
`;
}

const KIND_WORDS: Record<Kind, string> = {
  page: "Page",
  video: "Video",
  document: "Document",
  picture: "Picture",
  sound: "Sound",
  note: "Note",
};

function entry(item: PublishedItem, number: number, places: ReaderPlaces): Markup {
  const title = item.heading || item.title;
  const address = item.file ? places.file(item) : item.address;
  const site = item.siteName || item.host;
  const authors = item.authors.filter((name) => name !== site);
  const source = [
    KIND_WORDS[item.kind],
    site,
    authors.length ? authors.slice(0, 3).join(", ") + (authors.length > 3 ? " and others" : "") : null,
    item.pages ? `${item.pages} ${item.pages === 1 ? "page" : "pages"}` : null,
    item.minutes ? sayMinutes(item.minutes) : null,
  ].filter(Boolean);
  return html`<li class="item" id="i-${item.id}"><span class="no" aria-hidden="true">${number}</span><div>${
    item.context ? html`<p class="say">${item.context}</p>` : null
  }<p class="what${item.context ? null : " large"}">${address ? html`<a href="${address}" rel="noreferrer">${title}</a>` : title}</p><p class="sub"><svg viewBox="0 0 12 12" aria-hidden="true" style="color:var(--${item.kind})"><path fill="currentColor" fill-rule="evenodd" d="${KIND_SHAPES[item.kind]}"/></svg>${source.join(" · ")}</p>${
    item.description && (item.kind === "note" || !item.context)
      ? html`<p class="about">${item.description}</p>`
      : null
  }${item.player ? play(item, title, item.file ? address : item.player.address) : null}</div>${
    item.picture
      ? html`<img class="pic${item.kind === "document" ? " top" : ""}" src="${places.picture(item.picture)}" alt="" loading="lazy" width="128" height="78">`
      : html`<span class="none"></span>`
  }</li>
`;
}

function play(item: PublishedItem, title: string, address: string): Markup {
  const { type, mime } = item.player!;
  const element =
    type === "frame" ? "frame" : item.kind === "sound" || mime?.startsWith("audio/") ? "audio" : "video";
  return html`<button type="button" class="play" hidden data-type="${element}" data-src="${address}" data-title="${title}">${
    element === "audio" ? "Listen here" : "Play here"
  }</button>`;
}
