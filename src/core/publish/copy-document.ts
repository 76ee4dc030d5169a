import { html, Markup } from "./html";
import type { PublishedItem } from "./model";
import { plainDocument } from "./plain-document";

/**
 * The reading copy of an item, for readers whose original is gone or to whom the curator gives it; it says which.
 * @param text sanitised HTML
 * @param from the page it belongs to
 * @param at when it was kept
 */
export const copyDocument = (
  item: PublishedItem,
  text: string,
  from: { title: string; address: string; fonts: string },
  at: Date,
): string =>
  plainDocument(
    {
      ...{ title: item.title, of: from, fonts: from.fonts, language: item.language ?? "" },
      head: `${item.title}, a copy`,
    },
    html`<p class="facts" lang="en" dir="ltr">A copy kept on ${at.toISOString().slice(0, 10)}.${item.copy === "gone" ? " The original does not answer any more:" : " The original:"} <a href="${item.address}" rel="noreferrer">${item.siteName || item.host || item.address}</a></p>${new Markup(text)}`,
  );
