import { html, type Markup } from "../publish/html";
import type { Reference } from "./bibliography";
import type { Run } from "./runs";

/** A bibliography as a piece of HTML for word processors and mail programs: a paragraph an entry, with its faces and links. */
export const htmlBibliography = (entries: readonly Reference[]): string =>
  entries
    .map(({ label, runs }) => html`<p>${label ? `${label} ` : null}${runs.map(faced)}</p>`.text)
    .join("\n");

/** A run of a reference in its face, and the link it is. */
export function faced({ text, italic, bold, small, raised, address }: Run): Markup {
  let made = html`${text}`;
  if (italic) made = html`<i>${made}</i>`;
  if (bold) made = html`<b>${made}</b>`;
  if (raised) made = html`<sup>${made}</sup>`;
  if (small) made = html`<span style="font-variant:small-caps">${made}</span>`;
  return address ? html`<a href="${address}">${made}</a>` : made;
}
