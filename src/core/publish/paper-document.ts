import { saidInGroups } from "../share/short-code";
import { isRightToLeft } from "../text/direction";
import { sayMinutes } from "../text/minutes";
import { html, Markup } from "./html";
import type { PublishedCollection, PublishedItem } from "./model";
import { sumOfAll } from "./reader-course";
import { KIND_WORDS } from "../look/kind-words";
import type { ReaderPlaces } from "./reader-places";
import { readerFonts } from "./reader-style";

/** How the sheet is set. */
export type Sheet = { paper: "a4" | "letter"; compact: boolean; room: boolean };

const STYLE = `
*{box-sizing:border-box}body{margin:0;color:#111;background:#fff;font:400 11pt/1.4 "Atkinson Hyperlegible Next",system-ui,sans-serif;overflow-wrap:anywhere}
main{max-width:180mm;margin:0 auto;padding:8mm 5mm}h1,.say{font-family:Literata,Georgia,serif}h1{font-size:20pt;line-height:1.2;margin:0}h2{font-size:12pt;margin:6mm 0 0;border-bottom:.3mm solid #999;padding-bottom:1mm;break-after:avoid}
.head,li{display:grid;grid-template-columns:minmax(0,1fr) auto;gap:0 6mm}.head{align-items:start;border-bottom:.5mm solid #111;padding-bottom:4mm}.head svg{width:28mm;height:28mm}.head p{margin:1mm 0 0}.code{font-weight:700;letter-spacing:.08em}
ol{list-style:none;margin:0;padding:0;counter-reset:none}li{padding:3mm 0;border-bottom:.2mm solid #bbb;break-inside:avoid}li svg{width:26mm;height:26mm}p{margin:0}.say{font-size:12.5pt}.what{font-weight:700}.sub{font-size:9.5pt;color:#444}.between{display:block;color:#333;font-family:Literata,Georgia,serif}
.room{grid-column:1/-1;height:24mm;margin-top:2mm;background:repeating-linear-gradient(#fff 0 7.8mm,#bbb 7.8mm 8mm)}
.compact{font-size:9.5pt}.compact li{padding:1.2mm 0}.compact li svg{width:22mm;height:22mm}.compact .say{font-size:10.5pt}.compact .about{display:none}
form{display:flex;flex-wrap:wrap;gap:.5rem 1.25rem;align-items:center;padding:.75rem 5mm;background:#f1f3ef;border-bottom:1px solid #cfd6d0}form a{color:#0b5563}form button{font:inherit;font-weight:650;padding:.5rem 1rem;color:#fff;background:#0b5563;border:0;border-radius:6px;cursor:pointer}label{display:inline-flex;gap:.4rem;align-items:center;min-height:2rem}
@media print{form{display:none}main{padding:0;max-width:none}}
@media screen and (max-width:30rem){li svg{width:18mm;height:18mm}}
`.replace(/\n/g, "");

export const PAPER_SCRIPT = `(function(){var f=document.forms[0],p=f.querySelector("[data-print]");p.hidden=false;p.onclick=function(){print()};f.onchange=function(){f.submit()}})()`;

/**
 * A collection on paper, to be handed out: beside each item a QR code that leads to it, so that the sheet leads back to the
 * web. Black on white, in our own letters, for the printer of a school.
 * @param home where a short code is typed, without the scheme
 * @param short the short code of the collection, if it has one
 * @param codes the QR code of each of `linksOnPaper`, in their order
 */
export function paperDocument(
  collection: PublishedCollection,
  places: ReaderPlaces,
  { paper, compact, room }: Sheet,
  { home, short }: { home: string; short: string | null },
  codes: readonly string[],
): string {
  const { holds } = sumOfAll(collection);
  const at = places.site + places.self;
  const rest = codes.values();
  const code = () => html`<span aria-hidden="true">${new Markup(rest.next().value ?? "")}</span>`;
  const own = code();
  let number = 0;
  const entry = (item: PublishedItem): Markup => {
    if (item.look === "text")
      return html`<li class="between"><p>${item.heading ? html`<b>${item.heading}.</b> ` : null}${item.description}</p></li>`;
    const address = linkOf(item, places);
    const source = [
      KIND_WORDS[item.kind],
      item.siteName || item.host,
      item.minutes ? sayMinutes(item.minutes) : "",
    ].filter(Boolean);
    return html`<li><div>${item.context ? html`<p class="say">${++number}. ${item.context}</p>` : null}<p class="what">${item.context ? null : `${++number}. `}${item.heading || item.title}</p><p class="sub">${source.join(" · ")}</p>${
      item.quotation || (item.kind === "note" && item.description)
        ? html`<p class="about">${item.quotation || item.description}</p>`
        : null
    }${address ? html`<p class="sub">${shorten(address)}</p>` : null}</div>${address ? code() : html`<span></span>`}${room ? html`<div class="room"></div>` : null}</li>`;
  };
  return html`<!doctype html>
<html lang="${collection.language || "en"}"${isRightToLeft(collection.language) ? html` dir="rtl"` : null}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width,initial-scale=1">
<title>${collection.title}, on paper</title>
<meta name="robots" content="noindex">
<style>${new Markup(`${STYLE}@page{size:${paper === "letter" ? "letter" : "A4"};margin:14mm}${places.fonts ? readerFonts(places.fonts) : ""}`)}</style>
</head>
<body class="${compact ? "compact" : "full"}">
<form method="get" aria-label="How it is printed"><a href="${places.self}">Back</a><label><input type="radio" name="paper" value="a4"${paper === "a4" ? html` checked` : null}> A4</label><label><input type="radio" name="paper" value="letter"${paper === "letter" ? html` checked` : null}> Letter</label><label><input type="checkbox" name="compact" value="1"${compact ? html` checked` : null}> Compact</label><label><input type="checkbox" name="room" value="1"${room ? html` checked` : null}> Room to write</label><noscript><button>Set it so</button></noscript><button type="button" data-print hidden>Print</button></form>
<main>
<div class="head"><div><h1>${collection.title}</h1>${collection.description ? html`<p>${collection.description}</p>` : null}<p class="sub">${collection.teamName} · ${holds}</p><p class="sub">${shorten(at)}</p>${short ? html`<p>At ${home}/go: <span class="code">${saidInGroups(short)}</span></p>` : null}</div>${own}</div>
${collection.sections.map((section) => (section.items.length || section.id !== null ? html`<div>${section.id === null ? null : html`<h2>${section.title}</h2>`}<ol>${section.items.map(entry)}</ol></div>` : null))}
</main>
<script>${new Markup(PAPER_SCRIPT)}</script>
</body>
</html>
`.text;
}

/** An address as one could type it; a long one is not typed, and the code stands beside it. */
const shorten = (address: string): string => {
  const plain = address.replace(/^https?:\/\/(www\.)?/, "").replace(/\/$/, "");
  return plain.length > 64 ? `${plain.slice(0, 63)}…` : plain;
};

/** Where an item leads, as whoever holds only the paper gets there; empty: nowhere. */
function linkOf(item: PublishedItem, places: ReaderPlaces): string {
  const address = item.file ? places.file(item) : item.address;
  return address.startsWith("/") ? places.site + address : address;
}

/** What the QR codes of a sheet say: its own address, and those of its items in their order, in ASCII as readers take it. */
export const linksOnPaper = (collection: PublishedCollection, places: ReaderPlaces): string[] => [
  places.site + places.self,
  ...collection.sections
    .flatMap((section) => section.items)
    .filter((item) => item.look === "item")
    .map((item) => linkOf(item, places))
    .filter(Boolean)
    .map((address) => (URL.canParse(address) ? new URL(address).href : address)),
];
