import { isRightToLeft } from "../text/direction";
import { html, Markup } from "./html";
import { COMFORT_SCRIPT } from "./reader-script";
import { READER_STYLE, readerFonts } from "./reader-style";

/**
 * The frame of a small page beside a collection.
 * @param found what search engines say of it; without it they are not to have it. `style` is what only this page needs
 */
export const page = (
  title: string,
  language: string,
  fonts: string,
  body: Markup,
  { found, style = "" }: { found?: string; style?: string } = {},
): string =>
  html`<!doctype html>
<html lang="${language || "en"}"${isRightToLeft(language) ? html` dir="rtl"` : null}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width,initial-scale=1">
<title>${title}</title>
${found === undefined ? html`<meta name="robots" content="noindex">` : html`<meta name="description" content="${found}">`}
${fonts.startsWith("/") ? html`<link rel="icon" href="/icon.svg" type="image/svg+xml">` : null}
<script>${new Markup(COMFORT_SCRIPT)}</script>
<style>${new Markup(READER_STYLE + readerFonts(fonts) + style)}</style>
</head>
<body>
<main class="copied">
${body}
</main>
</body>
</html>
`.text;
