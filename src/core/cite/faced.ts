import { html, type Markup } from "../publish/html";
import type { Run } from "./runs";

/** A run of a reference in its face, and the link it is. */
export function faced({ text, italic, bold, small, raised, address }: Run): Markup {
  let made = html`${text}`;
  if (italic) made = html`<i>${made}</i>`;
  if (bold) made = html`<b>${made}</b>`;
  if (raised) made = html`<sup>${made}</sup>`;
  if (small) made = html`<span style="font-variant:small-caps">${made}</span>`;
  return address ? html`<a href="${address}">${made}</a>` : made;
}
