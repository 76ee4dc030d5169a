import { isRightToLeft } from "../text/direction";
import { html, Markup } from "./html";
import type { PublishedItem } from "./model";
import { COMFORT_SCRIPT } from "./reader-script";
import { READER_STYLE, readerFonts } from "./reader-style";

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
): string => {
  const language = item.language ?? "";
  return html`<!doctype html>
<html lang="${language || "en"}"${isRightToLeft(language) ? html` dir="rtl"` : null}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width,initial-scale=1">
<title>${item.title}, a copy · ${from.title}</title>
<meta name="robots" content="noindex">
<script>${new Markup(COMFORT_SCRIPT)}</script>
<style>${new Markup(READER_STYLE + readerFonts(from.fonts))}</style>
</head>
<body>
<main class="copied">
<nav class="up" aria-label="Part of" lang="en" dir="ltr"><a href="${from.address}">${from.title}</a></nav>
<h1>${item.title}</h1>
<p class="facts" lang="en" dir="ltr">A copy kept on ${at.toISOString().slice(0, 10)}.${item.copy === "gone" ? " The original does not answer any more:" : " The original:"} <a href="${item.address}" rel="noreferrer">${item.siteName || item.host || item.address}</a></p>
<div class="text">${new Markup(text)}</div>
</main>
</body>
</html>
`.text;
};
