/** The elements of MathML Core that set a formula (https://www.w3.org/TR/mathml-core/); none of them runs or fetches anything. */
export const FORMULA =
  "math merror mfrac mi mmultiscripts mn mo mover mpadded mphantom mprescripts mroot mrow ms mspace msqrt mstyle msub msubsup msup mtable mtd mtext mtr munder munderover semantics".split(
    " ",
  );
/** Attributes of theirs that say how they are set. */
export const FORMULA_ATTRIBUTES: Readonly<Record<string, string[]>> = {
  math: ["display"],
  mfrac: ["linethickness"],
  mi: ["mathvariant"],
  mo: ["fence", "form", "largeop", "movablelimits", "separator", "stretchy", "symmetric"],
  mover: ["accent"],
  mspace: ["width"],
  mtd: ["columnspan", "rowspan"],
  munder: ["accentunder"],
  munderover: ["accent", "accentunder"],
};

const TAGS = new RegExp(`</?(?:${FORMULA.join("|")})(?:\\s[^>]*)?>`, "g");

/** A reading copy with its formulas as plain signs, for whatever cannot set them. */
export const withoutFormulas = (html: string): string => html.replace(TAGS, "");

/** What of a document this needs. */
type Page = { querySelectorAll: (selector: string) => Iterable<Element> };
const MOST = 2_000;

/**
 * Lets each formula of a page be seen. Pages carry it twice, for the ear and for the eye: hidden beside a picture or drawn
 * letters of itself, which are hidden from the ear. Of the two the formula stays.
 */
export function uncoverFormulas(page: Page): void {
  let count = 0;
  for (const formula of page.querySelectorAll("math")) {
    if (++count > MOST) return;
    const around = formula.parentElement;
    around?.removeAttribute("style");
    const beside = around?.nextElementSibling;
    if (beside?.getAttribute("aria-hidden") === "true") beside.remove();
  }
}
