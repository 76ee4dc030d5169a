import { isRightToLeft } from "../text/direction";
import { day, nameOf } from "./editions-document";
import { html, Markup } from "./html";
import type { EditionsSaid, PublishedCollection, ReaderView } from "./model";
import { withOwnFrom } from "../shelves/from";
import { fromLine } from "./reader-from";
import { clothOver, listInside, sayPartsOf, sumOfAll, wayOn, wayUp } from "./reader-course";
import { part, tablePart } from "./reader-entries";
import { forMachines } from "./reader-machines";
import type { ReaderPlaces } from "./reader-places";
import { COMFORT_SCRIPT, READER_SCRIPT } from "./reader-script";
import { READER_STYLE, readerFonts } from "./reader-style";
import { contents, narrowing, tools } from "./reader-tools";

/**
 * One self-contained, accessible HTML document of a collection, for readers: it works with script off, on paper
 * and at 320 px, sets no cookie, and asks nothing of another site before the reader presses play.
 * @param collection what is published
 * @param view how its items are laid out
 * @param places where pictures, files, letters and other collections are found from this page
 * @param editions what is said of its editions, if there are any
 */
export function readerDocument(
  collection: PublishedCollection,
  view: ReaderView,
  places: ReaderPlaces,
  editions: EditionsSaid | null = null,
): string {
  const { items, own, within, holds } = sumOfAll(collection);
  let number = 0;
  const next = () => ++number;
  const draw = view === "table" ? tablePart : part;
  const document = html`<!doctype html>
<html lang="${collection.language || "en"}"${isRightToLeft(collection.language) ? html` dir="rtl"` : null}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width,initial-scale=1">
<title>${collection.title} · ${collection.teamName}</title>
${forMachines(collection, places, holds)}
<meta name="referrer" content="no-referrer">
<script>${new Markup(COMFORT_SCRIPT)}</script>
<style>${new Markup(READER_STYLE + (places.fonts ? readerFonts(places.fonts) : ""))}</style>
</head>
<body>
<main class="${view}">
${wayUp(collection.way, places)}
${clothOver(collection, places)}
<h1>${collection.title}</h1>
${collection.rich ? html`<div class="lead">${new Markup(collection.rich)}</div>` : collection.description ? html`<p class="lead">${collection.description}</p>` : null}
<p class="facts"><span>${collection.teamName}</span> <span>${holds}</span> <span data-left role="status"></span></p>
${collection.from ? html`<p class="facts">${fromLine(collection.from, places)}</p>` : null}
${editions?.own ? ofEdition(editions, editions.own) : null}
${outcomesOf(collection)}
${tools(view, places, own.items, collection.givesReferences)}
${collection.use === "newsletter" && places.home ? html`<p class="join" lang="en" dir="ltr"><a href="${places.home}/join">Get it by mail</a></p>` : null}
${contents(collection)}
${narrowing(collection.sections.flatMap((section) => section.items))}
${items === 0 ? html`<p class="empty">Nothing stands here yet. Come back later: the address stays the same.</p>` : null}
<div class="parts">${collection.sections.map((section) => draw(withOwnFrom(section, collection.from), places, next))}</div>
${collection.inside.length ? html`<nav class="inside" aria-labelledby="inside"><h2 id="inside">${sayPartsOf(within)}</h2>${listInside(collection.inside, places)}</nav>` : null}
${wayOn(collection.way, places)}
<footer>Put together by ${collection.teamName}. ${editions?.own ? "As it stood on" : "Last changed"} ${day(collection.updatedAt)}.${editions && !editions.own ? html` <a href="${editions.list}">${editions.count === 1 ? "1 edition" : `${editions.count} editions`}</a> kept.` : null}${places.credits ? html` <a href="${places.credits}">Credits and licences</a>` : null}${places.home && !editions?.own ? html` <a href="${places.self}/feed.atom">What comes in, as a feed</a> <a href="${places.home}/helped" rel="nofollow">Say that it helped</a> <a href="${places.home}/report" rel="nofollow">Report this</a>` : null}</footer>
</main>
<script>${new Markup(READER_SCRIPT)}</script>
</body>
</html>
`;
  return document.text;
}

/** What one can do afterwards, or what is asked. */
const outcomesOf = ({ serves }: PublishedCollection): Markup | null =>
  serves
    ? html`<section class="outcomes" aria-labelledby="outcomes"><h2 id="outcomes" lang="en">Outcomes</h2><ul>${serves.map(({ code, title }) => html`<li>${code ? html`<b>${code}</b> ` : null}${title}</li>`)}</ul></section>`
    : null;

/** Which edition this is, what is new in it, and the ways to the others. */
const ofEdition = (
  { isOld, list, changes, now }: EditionsSaid,
  own: NonNullable<EditionsSaid["own"]>,
): Markup =>
  html`<div class="edition" lang="en" dir="ltr"><p><b>${nameOf(own)}</b>, ${own.isIssue ? "sent" : "as it stood"} on ${day(own.at)}.</p>${own.words ? html`<p class="new">${own.words}</p>` : null}<p class="facts">${changes ? html`<a href="${changes}">What changed</a>` : null}<a href="${list}">All ${own.isIssue ? "issues" : "editions"}</a>${isOld ? html`<a href="${now}">The collection today</a>` : null}</p></div>`;
