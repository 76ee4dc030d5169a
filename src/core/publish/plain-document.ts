import { html, type Markup } from "./html";
import { page } from "./small-page";

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
  page(
    `${head} · ${of.title}`,
    language,
    fonts,
    html`<nav class="up" aria-label="Part of"><a href="${of.address}">${of.title}</a></nav>
<h1>${title}</h1>
<div class="text">${body}</div>`,
  );
