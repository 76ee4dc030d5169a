import { clothSvg, representatives, weave, type Yarn } from "../cover/weave";
import { sayInside } from "../list/course";
import { sayMinutes } from "../text/minutes";
import { html, Markup } from "./html";
import { cardSvg } from "./card";
import {
  type Door,
  type InsideCollection,
  type PublishedCollection,
  type PublishedItem,
  sumUp,
  type Way,
  type Woven,
} from "./model";
import type { ReaderPlaces } from "./reader-places";

/** The width of the column of the page, and the height of its cloth, in pixels. */
const [WIDE, HIGH] = [712, 56];

/** Collections that stand in one, with those in these, from the top down. */
const allInside = (inside: readonly InsideCollection[]): InsideCollection[] =>
  inside.flatMap((one) => [one, ...allInside(one.inside)]);

/** The cloth over the page: one piece, or, of a course, a stretch for each part that holds something, and the way to it. */
export function clothOver(collection: PublishedCollection, places: ReaderPlaces): Markup {
  if (collection.cover)
    return html`<div class="cloth"><img src="${places.picture(collection.cover)}" alt=""></div>`;
  const items = collection.sections.flatMap((section) => section.items);
  const own = {
    cloth: {
      threads: threadsOf(items),
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
export const listInside = (inside: readonly InsideCollection[], places: ReaderPlaces): Markup =>
  html`<ul>${inside.map(
    (one) =>
      html`<li><span class="scrap" aria-hidden="true">${scrapOf(one)}</span><span>${through(one.door, places, one.title)} <small>${sayHeld(one)}</small></span>${one.inside.length ? listInside(one.inside, places) : null}</li>`,
  )}</ul>`;

/** A scrap of the cloth of a collection, or of what stands in it where it holds nothing itself. */
function scrapOf(one: InsideCollection): Markup | null {
  const held = [one, ...allInside(one.inside)].filter((each) => each.count > 0);
  const threads = one.count ? one.cloth.threads : held.flatMap((each) => each.cloth.threads);
  const tags = (one.count ? one : held[0])?.cloth.tags ?? [];
  return scrap({ threads, tags });
}

/** A scrap of cloth as large as a hand. */
export const scrap = ({ threads, tags }: Woven["cloth"], width = 96, height = 32): Markup | null =>
  threads.length ? new Markup(clothSvg(weave(representatives(threads, 64), tags, width, height))) : null;

const sayHeld = (one: InsideCollection): string => {
  const all = [one, ...allInside(one.inside)];
  return sayWoven({
    count: all.reduce((sum, each) => sum + each.count, 0),
    minutes: all.reduce((sum, each) => sum + each.minutes, 0),
  });
};

/** “14 items, 1 h 20 min” */
export const sayWoven = ({ count, minutes }: Pick<Woven, "count" | "minutes">): string =>
  `${count} ${count === 1 ? "item" : "items"}${minutes ? `, ${sayMinutes(minutes)}` : ""}`;

/** “1 unit, 3 weeks”, or what else there is. */
export function sayPartsOf(inside: readonly InsideCollection[]): string {
  const said = sayInside(inside.map((one) => one.title)).join(", ");
  return /^\d+ (more )?collections?$/.test(said) ? "Inside this collection" : said;
}

/** Of which course it is a part. */
export const wayUp = (way: Way | null, places: ReaderPlaces): Markup | null =>
  way?.above.length
    ? html`<nav class="up" aria-label="Part of">${way.above.map((one) => html`<a href="${places.door(one.door)}">${one.title}</a>`)}</nav>`
    : null;

/** On to what comes next in the course, and back. */
export const wayOn = (way: Way | null, places: ReaderPlaces): Markup | null =>
  way && (way.before || way.next)
    ? html`<nav class="on" aria-label="The way through">${way.before ? html`<a rel="prev" href="${places.door(way.before.door)}"><small>Before</small><b>${way.before.title}</b></a>` : html`<span></span>`}${way.next ? html`<a rel="next" href="${places.door(way.next.door)}"><small>Next</small><b>${way.next.title}</b></a>` : null}</nav>`
    : null;

/** Tags by use, for the cover's wefts. */
export function mostUsedTags(items: readonly { tags: readonly string[] }[]): string[] {
  const counts = new Map<string, number>();
  for (const tag of items.flatMap((item) => item.tags)) counts.set(tag, (counts.get(tag) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).map(([tag]) => tag);
}

/** Everything readers are shown of a collection, by its own items first: how much, and what it is woven from. */
export function sumOfAll(collection: PublishedCollection) {
  const own = sumUp(collection.sections);
  const within = allInside(collection.inside);
  const items = within.reduce((sum, one) => sum + one.count, own.items);
  const minutes = within.reduce((sum, one) => sum + one.minutes, own.minutes);
  const holds = [
    ...sayInside(within.map((one) => one.title)),
    `${items} ${items === 1 ? "item" : "items"}`,
    ...(minutes ? [sayMinutes(minutes)] : []),
  ].join(", ");
  return { items, minutes, holds, within, own };
}

/** The picture for links to a collection, as SVG. */
export function cardOf(collection: PublishedCollection): string {
  const { threads, tags } = clothOfAll(collection);
  return cardSvg(collection, threads, tags, sumOfAll(collection).holds);
}

/** What items are woven as; what leads to a collection as what is in that. */
const threadsOf = (items: readonly PublishedItem[]): Yarn[] =>
  items.flatMap(({ kind, minutes, tags, opens }) =>
    opens ? opens.cloth.threads : { kind, minutes, tag: tags[0] ?? null },
  );

/** What one piece of cloth of a collection with everything inside is woven from. */
export function clothOfAll(collection: PublishedCollection): Woven["cloth"] {
  const items = collection.sections
    .flatMap((section) => section.items)
    .filter((item) => item.look === "item");
  const threads = [...threadsOf(items), ...allInside(collection.inside).flatMap((one) => one.cloth.threads)];
  return { threads, tags: mostUsedTags(items) };
}
