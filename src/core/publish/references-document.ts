import type { ReferenceGroup } from "../cite/arranged";
import { faced } from "../cite/faced";
import { isRightToLeft } from "../text/direction";
import { html, Markup } from "./html";
import { COMFORT_SCRIPT } from "./reader-script";
import { READER_STYLE, readerFonts } from "./reader-style";

/** The bibliography of a collection as its readers are given it. */
export type ReferencesForReaders = {
  title: string;
  /** As BCP 47 has it, or empty. */
  language: string;
  /** Where the collection is read. */
  address: string;
  fonts: string;
  /** What its style is called. */
  style: string;
  groups: readonly ReferenceGroup[];
};

/** A bibliography for readers: whole with script off, in the letters of the page it belongs to. */
export const referencesDocument = ({
  title,
  language,
  address,
  fonts,
  style,
  groups,
}: ReferencesForReaders): string =>
  html`<!doctype html>
<html lang="${language || "en"}"${isRightToLeft(language) ? html` dir="rtl"` : null}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width,initial-scale=1">
<title>References · ${title}</title>
<meta name="robots" content="noindex">
<script>${new Markup(COMFORT_SCRIPT)}</script>
<style>${new Markup(READER_STYLE + readerFonts(fonts))}</style>
</head>
<body>
<main class="copied">
<nav class="up" aria-label="Part of"><a href="${address}">${title}</a></nav>
<h1>References</h1>
<p class="facts" lang="en" dir="ltr">${style}</p>
<div class="text references">${groups.map(
    (group) =>
      html`${group.title ? html`<h2>${group.title}</h2>` : null}${group.entries.map(
        ({ label, runs }) => html`<p>${label ? html`<span>${label}</span> ` : null}${runs.map(faced)}</p>`,
      )}`,
  )}</div>
</main>
</body>
</html>
`.text;
