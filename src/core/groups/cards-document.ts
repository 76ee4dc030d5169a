import { html, Markup } from "../publish/html";
import { readerFonts } from "../publish/reader-style";
import { saidInGroups } from "../share/short-code";

export type NameCard = { name: string; code: string; qr: string };

const STYLE = `
*{box-sizing:border-box}body{margin:0;color:#111;background:#fff;font:400 11pt/1.35 "Atkinson Hyperlegible Next",system-ui,sans-serif;overflow-wrap:anywhere}
main{display:grid;grid-template-columns:1fr 1fr;max-width:182mm;margin:0 auto;padding:5mm 0}
.card{height:126mm;padding:8mm;border:.2mm dashed #999;break-inside:avoid;display:flex;flex-direction:column;align-items:center;justify-content:center;text-align:center;gap:3mm}
.card svg{width:46mm;height:46mm}p{margin:0}h2{font:650 17pt/1.2 Literata,Georgia,serif;margin:0;display:-webkit-box;-webkit-line-clamp:2;-webkit-box-orient:vertical;overflow:hidden}.group{color:#444}.code{font-size:19pt;font-weight:700;letter-spacing:.08em;white-space:nowrap}
form{display:flex;gap:1.25rem;align-items:center;padding:.75rem 5mm;background:#f1f3ef;border-bottom:1px solid #cfd6d0}form button{font:inherit;font-weight:650;padding:.5rem 1rem;color:#fff;background:#0b5563;border:0;border-radius:6px;cursor:pointer}
@page{size:A4;margin:14mm}@media print{form{display:none}main{padding:0;max-width:none}}
@media screen and (max-width:34rem){main{grid-template-columns:1fr}}
`.replace(/\n/g, "");

export const CARDS_SCRIPT = `(function(){var p=document.querySelector("[data-print]");p.hidden=false;p.onclick=function(){print()}})()`;

/**
 * Name cards, four to a page of A4: the name, a QR code that opens what was handed out, and the code to be typed.
 * @param home where a code is typed, without the scheme
 */
export const cardsDocument = (group: string, home: string, cards: readonly NameCard[]): string =>
  html`<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width,initial-scale=1">
<title>${group}, name cards</title>
<style>${new Markup(STYLE + readerFonts("/fonts"))}</style>
</head>
<body>
<form aria-label="How it is printed"><span>${cards.length === 1 ? "1 card" : `${cards.length} cards`}, to be cut along the lines</span><button type="button" data-print hidden>Print</button></form>
<main>
${cards.map(
  ({
    name,
    code,
    qr,
  }) => html`<section class="card"><p class="group">${group}</p><h2>${name}</h2><span aria-hidden="true">${new Markup(qr)}</span><p class="code">${saidInGroups(code)}</p><p>Type it at <b>${home}/go</b></p></section>
`,
)}</main>
<script>${new Markup(CARDS_SCRIPT)}</script>
</body>
</html>
`.toString();
