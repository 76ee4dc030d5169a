import { type From, sayFrom } from "../shelves/from";
import { html, type Markup } from "./html";
import type { ReaderPlaces } from "./reader-places";

/** From where something was taken with credit; where this page stands at an address, with the way there. */
export const fromLine = (from: From, { site }: Pick<ReaderPlaces, "site">): Markup =>
  html`<span lang="en" dir="auto">${site ? html`<a href="${site}/c/${from.code}">${sayFrom(from)}</a>` : sayFrom(from)}</span>`;
