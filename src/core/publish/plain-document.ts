import { isRightToLeft } from "../text/direction";
import { html, Markup } from "./html";
import { COMFORT_SCRIPT } from "./reader-script";
import { READER_STYLE, readerFonts } from "./reader-style";

/** A page that belongs to a reader's page: what it is called, which page that is, and where its letters lie. */
type About = {
  title: string;
  /** The same for the head of the window, where it says more. */
  head?: string;
  of: { title: string; address: string };
  /** As BCP 47 has it, or empty. */
  language: string;
  fonts: string;
};

/** A page of words in the look of the reader's page it belongs to, whole with script off. */
export const plainDocument = ({ title, head = title, of, language, fonts }: About, body: Markup): string =>
  html`<!doctype html>
<html lang="${language || "en"}"${isRightToLeft(language) ? html` dir="rtl"` : null}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width,initial-scale=1">
<title>${head} · ${of.title}</title>
<meta name="robots" content="noindex">
<script>${new Markup(COMFORT_SCRIPT)}</script>
<style>${new Markup(READER_STYLE + readerFonts(fonts))}</style>
</head>
<body>
<main class="copied">
<nav class="up" aria-label="Part of"><a href="${of.address}">${of.title}</a></nav>
<h1>${title}</h1>
<div class="text">${body}</div>
</main>
</body>
</html>
`.text;
