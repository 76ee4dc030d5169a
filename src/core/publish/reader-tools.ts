import type { Kind } from "../page/facts";
import { sayMinutes } from "../text/minutes";
import { html, type Markup } from "./html";
import { type PublishedCollection, type PublishedItem, READER_VIEWS, type ReaderView, sumUp } from "./model";
import { KIND_WORDS } from "../look/kind-words";
import type { ReaderPlaces } from "./reader-places";

/** From so many sections on there is a list of them. */
const SECTIONS = 2;
/** From so many items on one may want to see some of them only. */
const MANY = 8;

/** The ways to look at the page: its views, one at a time, on paper, and what is comfortable. */
export const tools = (view: ReaderView, places: ReaderPlaces, count: number, cites = false): Markup =>
  html`<div class="tools">${places.view ? viewsAt(places.view, view) : null}<div class="bar">${count ? html`<button type="button" data-one hidden>One at a time</button>` : null}${places.everything ? html`<a href="${places.everything}">Look through everything</a>` : null}${cites && places.references ? html`<a href="${places.references}">References</a>` : null}${places.site ? html`<a href="${places.self}/paper">On paper</a>` : null}${comfort()}</div></div>`;

const viewsAt = (at: (view: ReaderView) => string, view: ReaderView): Markup =>
  html`<nav class="bar" aria-label="View">${READER_VIEWS.map(
    (other) =>
      html`<a href="${at(other)}"${other === view ? html` aria-current="true"` : null}>${other[0]!.toUpperCase() + other.slice(1)}</a>`,
  )}</nav>`;

const choice = (name: string, legend: string, options: readonly (readonly [string, string])[]): Markup =>
  html`<fieldset><legend>${legend}</legend>${options.map(
    ([value, words]) => html`<label><input type="radio" name="${name}" value="${value}"> ${words}</label>`,
  )}</fieldset>`;

/** How the page is shown on this reader's screen; kept in their own browser. Nothing of it works without script. */
const comfort = (): Markup =>
  html`<details class="comfort" data-comfort hidden><summary>Comfort</summary><form>${choice("size", "Size", [
    ["", "Usual"],
    ["large", "Large"],
    ["larger", "Larger"],
  ])}${choice("space", "Space", [
    ["", "Usual"],
    ["wide", "Wide"],
  ])}${choice("face", "Letters", [
    ["", "Mixed"],
    ["plain", "Plain"],
    ["serif", "Serif"],
  ])}${choice("look", "Light", [
    ["", "As the device"],
    ["light", "Light"],
    ["dark", "Dark"],
  ])}</form></details>`;

/** The sections, to go to. */
export function contents({ sections }: PublishedCollection): Markup | null {
  const named = sections.filter((section) => section.id !== null && section.items.length);
  if (named.length < SECTIONS) return null;
  return html`<nav class="contents" aria-label="Contents"><ol>${named.map((section) => {
    const { minutes } = sumUp([section]);
    return html`<li><a href="#s-${section.id}">${section.title}</a>${minutes ? html` <small>${sayMinutes(minutes)}</small>` : null}</li>`;
  })}</ol></nav>`;
}

/** A field and a choice of kinds to see some of the items only. */
export function narrowing(items: readonly PublishedItem[]): Markup | null {
  const shown = items.filter((item) => item.look === "item");
  if (shown.length < MANY) return null;
  const kinds = [...new Set<Kind>(shown.map((item) => item.kind))];
  return html`<form class="narrow" role="search" data-narrow hidden><label><span>Narrow</span><input type="search" placeholder="Some letters" autocomplete="off"></label>${
    kinds.length > 1
      ? html`<label><span>Kind</span><select><option value="">All</option>${kinds.map((kind) => html`<option value="${kind}">${KIND_WORDS[kind]}</option>`)}</select></label>`
      : null
  }<output></output></form>`;
}
