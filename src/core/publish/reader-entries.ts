import { KIND_SHAPES } from "../look/kind-shapes";
import { KIND_WORDS } from "../look/kind-words";
import { licenceAddress, sayLicence } from "../licence/known";
import { shortOutcome } from "../outcomes/served";
import { isRightToLeft } from "../text/direction";
import { sayMinutes } from "../text/minutes";
import { clipFragment, sayClip } from "./clip";
import { html, Markup } from "./html";
import { mediaFragment } from "./media-fragment";
import { type PublishedItem, type PublishedSection, sumUp } from "./model";
import { fromLine } from "./reader-from";
import { sayWoven, scrap } from "./reader-course";
import type { ReaderPlaces } from "./reader-places";
import { theirsPart } from "./reader-theirs";

function head(section: PublishedSection): Markup | null {
  if (section.id === null) return null;
  const { phase } = section;
  const minutes = phase ? phase.minutes : sumUp([section]).minutes;
  return html`<h2 id="s-${section.id}">${section.title}${minutes ? html` <small>${sayMinutes(minutes)}</small>` : null}</h2>${section.intro ? html`<div class="intro">${new Markup(section.intro)}</div>` : null}${section.serves ? html`<p class="serves"><span lang="en">Outcomes:</span> ${section.serves.map(shortOutcome).join(", ")}</p>` : null}${phase?.learners ? html`<p class="do">${phase.learners}</p>` : null}`;
}

export function part(section: PublishedSection, places: ReaderPlaces, next: () => number): Markup | null {
  if (section.id === null && !section.items.length) return null;
  // A phase of a lesson in which learners have nothing to do or to look at is the teacher's own.
  if (section.phase && !section.items.length && !section.phase.learners && !section.intro) return null;
  return html`<${tag(section)} class="part">${head(section)}
<ol>${section.items.map((item) => (item.look === "text" ? between(item) : entry(item, next(), places)))}</ol></${tag(section)}>
`;
}

/** What leads from one item to the next. */
const between = (item: PublishedItem): Markup =>
  html`<li class="between">${item.heading ? html`<h3>${item.heading}</h3>` : null}<p>${item.description}</p></li>
`;

/** The same as rows of a table, for what is to be looked through and compared. */
export function tablePart(
  section: PublishedSection,
  places: ReaderPlaces,
  next: () => number,
): Markup | null {
  const items = section.items.filter((item) => item.look === "item");
  if (section.id === null && !items.length) return null;
  return html`<${tag(section)} class="part">${head(section)}
<div class="wide"><table><thead><tr><th scope="col">No.</th><th scope="col">What</th><th scope="col">Why it stands here</th><th scope="col">Kind</th><th scope="col">Site</th><th scope="col">Length</th></tr></thead><tbody>${items.map(
    (item) => {
      const address = item.file ? places.file(item) : item.address;
      const title = item.heading || item.title;
      return html`<tr class="item" id="i-${item.id}"${dataOf(item)}><td>${next()}</td><th scope="row">${address ? html`<a href="${address}" rel="noreferrer"${langOf(item)}>${title}</a>` : title}</th><td data-head="Why it stands here">${item.context}</td><td data-head="Kind">${item.opens ? "Collection" : KIND_WORDS[item.kind]}</td><td data-head="Site">${item.siteName || item.host}</td><td data-head="Length">${item.minutes ? sayMinutes(item.minutes) : null}</td></tr>
`;
    },
  )}</tbody></table></div></${tag(section)}>
`;
}

function entry(item: PublishedItem, number: number, places: ReaderPlaces): Markup {
  const title = item.heading || item.title;
  const address = item.file ? places.file(item) : item.address;
  const site = item.siteName || item.host;
  const authors = item.authors.filter((name) => name !== site);
  const source = [
    item.opens ? "Collection" : KIND_WORDS[item.kind],
    site,
    authors.length ? authors.slice(0, 3).join(", ") + (authors.length > 3 ? " and others" : "") : null,
    item.pages ? `${item.pages} ${item.pages === 1 ? "page" : "pages"}` : null,
    item.clip && sayClip(item.clip),
    item.opens ? sayWoven(item.opens) : item.minutes ? sayMinutes(item.minutes) : null,
  ].filter(Boolean);
  return html`<li class="item" id="i-${item.id}"${dataOf(item)}><span class="no" aria-hidden="true">${number}</span><div>${
    item.context ? html`<p class="say">${item.context}</p>` : null
  }<p class="what${item.context ? null : " large"}">${address ? html`<a href="${address}" rel="noreferrer"${langOf(item)}>${title}</a>` : title}</p><p class="sub"><svg viewBox="0 0 12 12" aria-hidden="true" style="color:var(--${item.kind})"><path fill="currentColor" fill-rule="evenodd" d="${KIND_SHAPES[item.kind]}"/></svg>${source.join(" · ")}${licenceOf(item)}</p>${item.from ? html`<p class="sub">${fromLine(item.from, places)}</p>` : null}${
    item.quotation
      ? html`<blockquote${langOf(item)}>${item.quotation}</blockquote>`
      : item.description && (item.kind === "note" || !item.context)
        ? html`<p class="about">${item.description}</p>`
        : null
  }${item.copy && places.copy ? html`<p class="copy">${item.copy === "gone" ? "The original does not answer any more. " : null}<a href="${places.copy(item)}">Read the copy kept here</a></p>` : null}${item.player ? play(item, title, item.file ? address : item.player.address, places) : item.isPdf && item.file ? inPlace(title, places.file(item)) : item.kind === "picture" && address ? enlarge(title, address) : null}</div>${
    item.picture
      ? html`<img class="pic${item.kind === "document" ? " top" : ""}" src="${places.picture(item.picture)}" alt="" loading="lazy" width="128" height="78">`
      : item.opens
        ? html`<span class="pic cloth" aria-hidden="true">${scrap(item.opens.cloth, 128, 78)}</span>`
        : html`<span class="none"></span>`
  }${item.theirs ? theirsPart(item.theirs, address) : null}</li>
`;
}

/** Under which licence it is, and where that can be read. */
function licenceOf({ licence }: PublishedItem): Markup | null {
  if (!licence) return null;
  const address = licenceAddress(licence);
  return address
    ? html` · <a rel="license noreferrer" href="${address}">${sayLicence(licence)}</a>`
    : html` · ${sayLicence(licence)}`;
}

function play(item: PublishedItem, title: string, from: string, places: ReaderPlaces): Markup {
  const { type, mime } = item.player!;
  // A sound with captions is played where they are seen.
  const isHeard = !item.captions && (item.kind === "sound" || mime?.startsWith("audio/"));
  const element = type === "frame" ? "frame" : isHeard ? "audio" : "video";
  const said = item.captions && type !== "frame" ? places.captions(item) : null;
  const captions = said ? html` data-captions="${said}" data-lang="${item.language ?? ""}"` : null;
  // Browsers play a media file by its fragment; what a player of another site goes by nobody has laid down.
  const address =
    element === "frame" || from.includes("#")
      ? from
      : from + ((item.clip && clipFragment(item.clip)) || mediaFragment(item.address));
  return html`<button type="button" class="play" hidden data-type="${element}" data-src="${address}" data-title="${title}"${captions}>${
    element === "audio" ? "Listen here" : "Play here"
  }</button>`;
}

/** A picture is drawn large only after a press: it may lie on another site. */
const enlarge = (title: string, address: string): Markup =>
  html`<button type="button" class="play" hidden data-type="picture" data-src="${address}" data-title="${title}">Enlarge</button>`;

/** A PDF of our own, by the viewer the browser has. */
const inPlace = (title: string, address: string): Markup =>
  html`<button type="button" class="play" hidden data-type="pdf" data-src="${address}" data-title="${title}">Read here</button>`;

/** What the script goes by: how long it takes, and what kind it is. */
const dataOf = (item: PublishedItem): Markup =>
  html` data-kind="${item.kind}"${item.minutes ? html` data-minutes="${item.minutes}"` : null}`;

/** The language of a thing's own words, where it is known. */
const langOf = (item: PublishedItem): Markup | null =>
  item.language && !item.heading
    ? html` lang="${item.language}"${isRightToLeft(item.language) ? html` dir="rtl"` : null}`
    : null;

/** What stands before the first section has no heading, and is none. */
const tag = ({ id }: PublishedSection): Markup => new Markup(id === null ? "div" : "section");
