import { KIND_SHAPES } from "../look/kind-shapes";
import { KIND_WORDS } from "../look/kind-words";
import { isRightToLeft } from "../text/direction";
import { sayMinutes } from "../text/minutes";
import { html, type Markup } from "./html";
import type { Theirs, TheirItem } from "./model";

/** A collection of others where it is shown in ours: set apart, and with whose it is. @param home where it is read */
export const theirsPart = (theirs: Theirs, home: string): Markup => {
  const { title, teamName, sections, more } = theirs;
  return html`<div class="theirs" role="group" aria-label="${title}, by ${teamName}"><p class="sub">By ${teamName}, as it stands there now</p>${sections.map(
    (section) =>
      html`${section.title ? html`<p class="of"><b>${section.title}</b></p>` : null}<ul>${section.items.map((item) => their(item, home))}</ul>`,
  )}${
    more.items || more.inside
      ? html`<p class="sub"><a href="${home}">${sayMore(more)}</a></p>`
      : sections.length
        ? null
        : html`<p class="sub">Nothing stands in it yet.</p>`
  }</div>`;
};

/** Something of theirs that is kept as a file is read on their page. */
function their(item: TheirItem, home: string): Markup {
  const address = item.address || `${home}#i-${item.id}`;
  const language = item.language
    ? html` lang="${item.language}"${isRightToLeft(item.language) ? html` dir="rtl"` : null}`
    : null;
  const source = [
    KIND_WORDS[item.kind],
    item.siteName || item.host,
    item.minutes && sayMinutes(item.minutes),
  ];
  return html`<li>${item.context ? html`<p class="say">${item.context}</p>` : null}<p class="what"><a href="${address}" rel="noreferrer"${language}>${item.title}</a></p><p class="sub"><svg viewBox="0 0 12 12" aria-hidden="true" style="color:var(--${item.kind})"><path fill="currentColor" fill-rule="evenodd" d="${KIND_SHAPES[item.kind]}"/></svg>${source.filter(Boolean).join(" · ")}</p></li>`;
}

function sayMore({ items, inside }: Theirs["more"]): string {
  const said = [
    items && `${items} more ${items === 1 ? "item" : "items"}`,
    inside && `${inside} ${inside === 1 ? "collection" : "collections"} inside it`,
  ];
  return said.filter(Boolean).join(", and ");
}
