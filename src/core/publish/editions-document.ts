import { type Changes, countOf, type Told, WORDED_AS } from "../editions/changes";
import type { Markup } from "./html";
import { html } from "./html";
import type { EditionSaid, Shows } from "./model";
import { page } from "./small-page";

/** An edition in the list of all. */
export type EditionListed = EditionSaid & { withdrawnAt: Date | null; hasBefore: boolean };

/** An issue of a newsletter is an edition that was sent. */
export const nameOf = ({ number, isIssue }: { number: number; isIssue: boolean }): string =>
  `${isIssue ? "Issue" : "Edition"} ${number}`;

export const day = (at: Date): string => at.toISOString().slice(0, 10);

/**
 * Every edition of a collection that was kept, the newest first; of one that was withdrawn the line that says so.
 * @param home where the collection is read
 */
export const editionsDocument = (
  {
    title,
    language,
    shows,
    editions,
  }: { title: string; language: string; shows: Shows; editions: readonly EditionListed[] },
  home: string,
  fonts: string,
): string =>
  page(
    `Editions · ${title}`,
    language,
    fonts,
    html`<nav class="up" aria-label="Part of"><a href="${home}">${title}</a></nav>
<h1 lang="en" dir="ltr">Editions</h1>
<p class="lead" lang="en" dir="ltr">${shows === "living" ? "The collection as it stood on these days. It goes on: its own address shows it as it stands now." : "The collection as it stood on these days. Its own address shows the newest of them."}</p>
<ol class="editions">${editions.map((one) =>
      one.withdrawnAt
        ? html`<li><p class="what">${nameOf(one)}</p><p class="sub" lang="en" dir="ltr">Kept on ${day(one.at)}, withdrawn on ${day(one.withdrawnAt)}.</p></li>`
        : html`<li><p class="what"><a href="${home}/e/${one.number}">${nameOf(one)}</a></p><p class="sub">${day(one.at)}</p>${one.words ? html`<p class="about">${one.words}</p>` : null}${one.hasBefore ? html`<p class="sub"><a href="${home}/e/${one.number}/changes">What changed</a></p>` : null}</li>`,
    )}</ol>`,
  );

/** What stands where an edition was that readers are not given any more. */
export const withdrawnDocument = (
  { number, at, withdrawnAt }: { number: number; at: Date; withdrawnAt: Date },
  home: string,
  fonts: string,
): string =>
  page(
    `Edition ${number} was withdrawn`,
    "",
    fonts,
    html`<h1>Edition ${number} was withdrawn</h1>
<p class="lead">It was kept on ${day(at)} and withdrawn on ${day(withdrawnAt)}.</p>
<p><a href="${home}">Go to the collection</a></p>`,
  );

/** In each group so many are named. */
const NAMED = 500;

/**
 * What changed from one edition to another, for readers.
 * @param home where the collection is read
 */
export function changesDocument(
  {
    title,
    language,
    number,
    before,
    at,
    changes,
  }: { title: string; language: string; number: number; before: number; at: Date; changes: Changes },
  home: string,
  fonts: string,
): string {
  const { added, gone, moved, words } = changes;
  const group = (name: string, all: readonly Markup[]): Markup | null =>
    all.length
      ? html`<h2 lang="en" dir="ltr">${name} <small>${all.length}</small></h2><ul class="changes">${all.slice(0, NAMED)}</ul>${all.length > NAMED ? html`<p class="sub">And ${all.length - NAMED} more.</p>` : null}`
      : null;
  const line = (one: Told, more: Markup | null = null) =>
    html`<li><p class="what">${one.title || "A text"}</p>${one.where.length || one.holds ? html`<p class="sub">${[one.where.join(" › "), one.holds ? `${one.holds} ${one.holds === 1 ? "item" : "items"}` : ""].filter(Boolean).join(" · ")}</p>` : null}${more}</li>`;
  return page(
    `What changed in edition ${number} · ${title}`,
    language,
    fonts,
    html`<nav class="up" aria-label="Part of"><a href="${home}">${title}</a><a href="${home}/editions" lang="en" dir="ltr">Editions</a><a href="${home}/e/${number}" lang="en" dir="ltr">Edition ${number}</a></nav>
<h1 lang="en" dir="ltr">What changed in edition ${number}</h1>
<p class="lead" lang="en" dir="ltr">Since edition ${before}, kept on ${day(at)}.</p>
${countOf(changes) === 0 ? html`<p class="empty" lang="en" dir="ltr">Nothing that stands here; perhaps a picture or a file.</p>` : null}
${group(
  "Added",
  added.map((one) => line(one)),
)}${group(
      "Gone",
      gone.map((one) => line(one)),
    )}${group(
      "Moved",
      moved.map((one) =>
        line(
          one,
          one.from.join() === one.where.join() || !one.from.length
            ? null
            : html`<p class="sub" lang="en" dir="ltr">from ${one.from.join(" › ")}</p>`,
        ),
      ),
    )}${group(
      "Other words",
      words.map((one) =>
        line(
          one,
          html`<dl><dt lang="en" dir="ltr">${WORDED_AS[one.of]}</dt>${one.before ? html`<dd><del>${one.before}</del></dd>` : null}${one.after ? html`<dd><ins>${one.after}</ins></dd>` : null}</dl>`,
        ),
      ),
    )}`,
  );
}
