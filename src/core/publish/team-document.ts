import type { Yarn } from "../cover/weave";
import type { FoundIn } from "../shelves/listing";
import { html, type Markup } from "./html";
import { page } from "./small-page";
import { sayWoven, scrap } from "./reader-course";

/** A public collection, as its team's page lists it. */
type Listed = {
  code: string;
  /** Whose it is, where that is to be said. */
  teamName?: string;
  /** Where words stand that were looked for. */
  passages?: readonly FoundIn[];
  title: string;
  description: string;
  count: number;
  minutes: number;
  cloth: { threads: readonly Yarn[]; tags: readonly string[] };
};

/** Of whom a public page is. */
type Whose = {
  name: string;
  words: string;
  /** The hash of a picture. */
  picture: string | null;
  collections: readonly Listed[];
  /** Of a team: the people in it who have such a page, too. */
  people?: readonly { id: string; name: string }[];
};
/** Where it stands, without a slash behind it, and where whoever has an account follows it. */
type Standing = { at: string; follow: string };

/**
 * What a team has made public, or a person has a hand in, on one page: the name, what they say of themselves, each collection
 * with a scrap of its cloth, and the feeds of it all. Of a person's each says of which team it is.
 */
export const publicPageDocument = (
  { name, words, picture, collections, people }: Whose,
  { at, follow }: Standing,
  fonts: string,
): string =>
  page(
    name,
    "",
    fonts,
    html`<header class="whose">${picture ? html`<img src="${at}/p/${picture}" alt="" width="96" height="96">` : null}<div><h1>${name}</h1>
${words ? html`<p class="lead">${words}</p>` : null}</div></header>
<p class="facts"><span>${collections.length === 1 ? "1 public collection" : `${collections.length} public collections`}</span> <a href="${follow}">Follow, with an account here</a> ${
      collections.length
        ? html`<a href="${at}/feed.atom">What comes in, as a feed</a> <a href="${at}/feeds.opml">All feeds (OPML)</a>`
        : null
    }</p>
${collections.length ? html`<nav class="inside" aria-label="Public collections"><ul>${collections.map((one) => entry(people ? { ...one, teamName: "" } : one))}</ul></nav>` : html`<p class="empty">Nothing is public here at the moment. Come back later: the address stays the same.</p>`}
${people?.length ? html`<nav class="people" aria-labelledby="people"><h2 id="people">Who has a hand in it</h2><ul>${people.map(({ id, name }) => html`<li><a href="/public/person/${id}">${name}</a></li>`)}</ul></nav>` : null}`,
    { found: words || `What ${name} has gathered, for everybody to read`, style: STYLE },
  );

const entry = ({ code, title, description, cloth, teamName, passages = [], ...woven }: Listed): Markup =>
  html`<li><span class="scrap" aria-hidden="true">${scrap(cloth)}</span><div><a href="/c/${code}">${title}</a> <small>${[teamName, sayWoven(woven)].filter(Boolean).join(" · ")}</small>${passages.length ? passages.map(foundIn) : description ? html`<div>${description}</div>` : null}</div></li>
`;

const foundIn = ({ passage: { text, marks, cut }, item }: FoundIn): Markup => {
  const parts: (Markup | string)[] = [];
  let from = 0;
  for (const [start, end] of marks) {
    parts.push(text.slice(from, start), html`<mark>${text.slice(start, end)}</mark>`);
    from = end;
  }
  parts.push(text.slice(from));
  return html`<div>${item ? html`<small>${item}:</small> ` : null}${cut[0] ? "… " : null}${parts}${cut[1] ? " …" : null}</div>`;
};

/** What these two pages need besides. */
const STYLE =
  ".whose{display:flex;flex-wrap:wrap;gap:0 1.25rem;align-items:start}.whose>div{flex:1 1 14rem;min-width:0}.whose img{width:6rem;height:6rem;object-fit:cover;border-radius:6px;margin:.4rem 0 1rem}.people ul{list-style:none;margin:.5rem 0 0;padding:0;display:flex;flex-wrap:wrap;gap:.25rem 1.25rem}.people a{display:inline-block;padding:.3rem 0;color:var(--accent);text-underline-offset:3px}.facts+.inside{margin-top:1.25rem}.inside li{align-items:start}.inside li>div>div{margin-top:.3rem}mark{color:inherit;background:var(--accent-wash)}.find{display:flex;flex-wrap:wrap;gap:.5rem;margin:1.25rem 0 .5rem}.find label{flex-basis:100%;font-weight:650}.find :is(input,button){font:inherit;padding:.6rem .8rem;border-radius:6px;border:1px solid var(--edge)}.find input{flex:1 1 14rem;min-width:0;color:var(--ink);background:var(--sheet)}.find button{font-weight:650;color:var(--on-accent);background:var(--accent);border-color:var(--accent);cursor:pointer}";

const ABOUT_SHELVES = "What all teams here have made public.";

/**
 * What all teams have made public, to be found by words; whole with script off.
 * @param query what was looked for; empty: these are the newest
 */
export const shelvesDocument = (
  { query, collections }: { query: string; collections: readonly Listed[] },
  fonts: string,
): string =>
  page(
    query ? `${query} · Shelves` : "Shelves",
    "en",
    fonts,
    html`<h1>Shelves</h1>
<p class="lead">${ABOUT_SHELVES}</p>
<form class="find" role="search"><label for="q">Words of a collection, or of what stands in it</label><input id="q" name="q" type="search" maxlength="500" value="${query}"><button>Find</button></form>
<h2>${query ? (collections.length ? "Found" : "In nothing that is public do all of these words stand") : "Newly public"}</h2>
<nav class="inside" aria-label="Public collections"><ul>${collections.map(entry)}</ul></nav>`,
    { ...(!query && { found: ABOUT_SHELVES }), style: STYLE },
  );
