import { Readability } from "@mozilla/readability";
import { parseHTML } from "linkedom";
import { parse, serialize } from "parse5";
import { resolveReference } from "../address/read-address";
import { uncoverFormulas } from "../text/formulas";
import { plainText } from "../text/plain";
import { sanitise, withoutEmpty } from "../text/sanitise";
import { markPictures, takeOutPictures, type TextPicture } from "./text-pictures";

/** The cleaned, kept text of a page: sanitised HTML, its plain words, and the pictures that stand in it. */
export type ReadingCopy = { html: string; text: string; pictures?: TextPicture[] };

const MOST = 3_000_000;
/** Shorter than this it is a menu or a notice, not a text. */
const LEAST = 140;

/**
 * Makes the reading copy of a page: its main matter without menus, adverts and forms, found by Mozilla's Readability.
 * Null where the page has no running text. Costs time on large pages, so it runs in a worker thread.
 * @param html the whole page
 * @param address of the page, against which its links are resolved
 */
export function makeReadingCopy(html: string, address: string): ReadingCopy | null {
  const { document } = parseHTML(wholeDocument(html.slice(0, MOST)));
  for (const link of document.querySelectorAll("a[href]")) {
    const href = resolveReference(link.getAttribute("href"), address);
    if (href) link.setAttribute("href", href);
    else link.removeAttribute("href");
  }
  uncoverFormulas(document);
  const found = new Readability(document as unknown as Document, { charThreshold: 200 }).parse();
  if (!found?.content) return null;
  const marked = markPictures(found.content, address);
  const { html: bare, pictures } = takeOutPictures(
    sanitise(marked.html, { formulas: true }),
    marked.pictures,
  );
  const clean = withoutEmpty(bare);
  const text = plainText(clean);
  return text.length < LEAST ? null : { html: clean, text, ...(pictures.length && { pictures }) };
}

/**
 * A page as a whole document, as browsers read it (HTML standard, "tree construction"; parse5): pages may leave out `html`,
 * `head` and `body`, or have something before them, and what finds the main matter wants all three.
 */
function wholeDocument(html: string): string {
  try {
    return serialize(parse(html));
  } catch (error) {
    // What is nested ten thousand deep cannot be written again.
    if (!(error instanceof RangeError)) throw error;
    return /<html[\s>]/i.test(html.slice(0, 5000))
      ? html
      : `<!doctype html><html><body>${html}</body></html>`;
  }
}
