import { KIND_WORDS } from "../look/kind-words";
import { html, Markup } from "../publish/html";
import type { PublishedCollection, PublishedItem, PublishedSection } from "../publish/model";
import type { ReaderPlaces } from "../publish/reader-places";
import { isRightToLeft } from "../text/direction";
import { sayMinutes } from "../text/minutes";

/** Where a letter leads besides its items. Addresses are whole. */
export type LetterPlaces = Pick<ReaderPlaces, "site" | "file"> & {
  /** The same as a page. */
  page: string;
  /** Where its reader leaves; null: the letter goes to nobody, it is copied. */
  leave: string | null;
};

export type Letter = { subject: string; html: string; text: string };

// Mail programs read styles only where they stand, and know no variables: ink, quiet, line and accent of the light look.
const INK = "color:#16211f";
const QUIET = "color:#4a5955";
const SANS = "font-family:'Atkinson Hyperlegible Next',Verdana,Arial,sans-serif";
const SERIF = "font-family:Literata,Georgia,'Times New Roman',serif";
const LINE = "border-top:1px solid #cfd6d0";

const whole = (site: string, address: string) => (address.startsWith("/") ? site + address : address);
const addressOf = (item: PublishedItem, places: LetterPlaces): string =>
  whole(places.site, item.file ? places.file(item) : item.address);

/** “Page · Bog Journal · 6 min”. */
const sourceOf = (item: PublishedItem): string =>
  [KIND_WORDS[item.kind], item.siteName || item.host, item.minutes ? sayMinutes(item.minutes) : ""]
    .filter(Boolean)
    .join(" · ");

/** What it says of itself, where nobody has said why it stands here; of a quotation or a note, its words. */
const aboutOf = (item: PublishedItem): string =>
  item.quotation ?? (item.kind === "note" || !item.context ? item.description : "");

const lines = (text: string): Markup[] =>
  text
    .split(/\n+/)
    .filter(Boolean)
    .map(
      (line) => html`<p style="margin:0 0 10px;font-size:16px;line-height:1.5;${INK};${SANS}">${line}</p>
`,
    );

/**
 * An issue of a newsletter as mail: one table of one column with every style where it is used, no picture and nothing else
 * that would be fetched, so that nobody learns who has read it; and the same as plain text.
 * @param collection the issue as readers are given it
 */
export function letterOf(collection: PublishedCollection, subject: string, places: LetterPlaces): Letter {
  const { title, teamName, language, description } = collection;
  const body = html`<table role="presentation" width="100%" cellpadding="0" cellspacing="0" style="max-width:600px;margin:0 auto"><tr><td style="padding:16px">
<p style="margin:0 0 6px;font-size:14px;${QUIET};${SANS}">${title} · ${teamName}</p>
<h1 style="margin:0 0 14px;font-size:26px;line-height:1.25;${INK};${SERIF}">${subject}</h1>
${lines(description)}${collection.sections.map((section) => sectionHtml(section, places))}
<p style="margin:24px 0 0;padding-top:12px;${LINE};font-size:13px;line-height:1.5;${QUIET};${SANS}"><a href="${places.page}" style="color:#0b5563">The same as a page</a>${places.leave ? html` · You get this because you asked for it. <a href="${places.leave}" style="color:#0b5563">Leave the list</a>` : null}</p>
</td></tr></table>`;
  const document = html`<!doctype html>
<html lang="${language || "en"}"${isRightToLeft(language) ? html` dir="rtl"` : null}>
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1"><title>${subject}</title></head>
<body style="margin:0;padding:0;background:#ffffff">
${body}
</body>
</html>
`;
  return { subject, html: document.text, text: letterText(collection, subject, places) };
}

function sectionHtml(section: PublishedSection, places: LetterPlaces): Markup {
  return html`${
    section.id === null
      ? null
      : html`<h2 style="margin:26px 0 4px;padding-top:12px;${LINE};font-size:18px;${INK};${SANS}">${section.title}</h2>
`
  }${section.intro ? new Markup(`<div style="${QUIET};${SANS};font-size:16px;line-height:1.5">${section.intro}</div>\n`) : null}${section.items.map((item) => itemHtml(item, places))}`;
}

function itemHtml(item: PublishedItem, places: LetterPlaces): Markup {
  if (item.look === "text")
    return html`<div style="margin:18px 0 0">${
      item.heading
        ? html`<h3 style="margin:0 0 4px;font-size:16px;${INK};${SANS}">${item.heading}</h3>
`
        : null
    }${lines(item.description)}</div>
`;
  const title = item.heading || item.title;
  const address = addressOf(item, places);
  const about = aboutOf(item);
  return html`<div style="margin:18px 0 0">${
    item.context
      ? html`<p style="margin:0 0 3px;font-size:18px;line-height:1.4;${INK};${SERIF}">${item.context}</p>
`
      : null
  }<p style="margin:0;font-size:16px;font-weight:bold;${SANS}">${address ? html`<a href="${address}" style="color:#0b5563">${title}</a>` : html`<span style="${INK}">${title}</span>`}</p>
<p style="margin:2px 0 0;font-size:14px;${QUIET};${SANS}">${sourceOf(item)}</p>
${
  about
    ? html`<p style="margin:4px 0 0;font-size:15px;line-height:1.5;${QUIET};${SANS}">${about}</p>
`
    : null
}</div>
`;
}

/** The plain text: every address stands alone in its line, where mail programs find it. */
function letterText(collection: PublishedCollection, subject: string, places: LetterPlaces): string {
  const parts = [`${collection.title} · ${collection.teamName}`, subject];
  if (collection.description) parts.push(collection.description);
  for (const section of collection.sections) {
    if (section.id !== null)
      parts.push(`${section.title}\n${"-".repeat(Math.min(60, section.title.length))}`);
    for (const item of section.items) {
      if (item.look === "text") parts.push([item.heading, item.description].filter(Boolean).join("\n"));
      else
        parts.push(
          [
            item.context,
            `* ${item.heading || item.title}`,
            `  ${sourceOf(item)}`,
            aboutOf(item) && `  ${aboutOf(item)}`,
            addressOf(item, places) && `  ${addressOf(item, places)}`,
          ]
            .filter(Boolean)
            .join("\n"),
        );
    }
  }
  parts.push(
    [
      "--",
      "The same as a page:",
      places.page,
      ...(places.leave ? ["You get this because you asked for it. To leave the list:", places.leave] : []),
    ].join("\n"),
  );
  return `${parts.join("\n\n")}\n`;
}
