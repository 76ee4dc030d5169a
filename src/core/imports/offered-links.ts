import { type ImportedLink, linksIn } from "../formats/imported";
import { MOST_LINKS, worthOffering } from "../mail/forwarded";
import { outlineHtml } from "./outline-html";

/**
 * The links of a text that are worth being offered, each once, none that only serves a list.
 * @param html a reading copy
 */
export const offeredLinks = (html: string): ImportedLink[] =>
  worthOffering(linksIn(outlineHtml(html).root)).slice(0, MOST_LINKS);
