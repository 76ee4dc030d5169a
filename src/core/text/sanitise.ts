import sanitizeHtml from "sanitize-html";
import { FORMULA, FORMULA_ATTRIBUTES } from "./formulas";

const HEADINGS = ["h1", "h2", "h3", "h4", "h5", "h6"];
const BLOCKS = [
  "p",
  "ul",
  "ol",
  "li",
  "dl",
  "dt",
  "dd",
  "blockquote",
  "pre",
  "figure",
  "figcaption",
  "hr",
  "br",
  "table",
  "thead",
  "tbody",
  "tfoot",
  "tr",
  "th",
  "td",
  "caption",
  "section",
  "article",
  "div",
];
const WORDS = [
  "a",
  "b",
  "strong",
  "i",
  "em",
  "u",
  "s",
  "del",
  "ins",
  "sub",
  "sup",
  "small",
  "code",
  "kbd",
  "samp",
  "q",
  "cite",
  "abbr",
  "mark",
  "span",
  "time",
  "bdi",
  "bdo",
  "ruby",
  "rt",
  "rp",
  "wbr",
];

/**
 * The one sanitiser: what comes from outside becomes HTML that can be shown. A strict list of elements and attributes
 * stays; scripts, styles, forms, frames and pictures go. Pictures go because a remote picture tells its server that
 * somebody reads; `pictures` lets those through that lie at Hobbin itself.
 * @param html anything from outside
 * @param options.pictures whether pictures of Hobbin's own may stay
 * @param options.formulas whether formulas (MathML) may stay
 * @returns HTML that runs nothing and asks nothing of another site
 */
export function sanitise(html: string, options: { pictures?: boolean; formulas?: boolean } = {}): string {
  const clean = sanitizeHtml(html, {
    allowedTags: [
      ...HEADINGS,
      ...BLOCKS,
      ...WORDS,
      ...(options.pictures ? ["img"] : []),
      ...(options.formulas ? FORMULA : []),
    ],
    allowedAttributes: {
      "*": ["dir", "lang"],
      a: ["href", "title", "rel", "target"],
      abbr: ["title"],
      img: ["src", "alt", "width", "height"],
      ol: ["start", "reversed"],
      time: ["datetime"],
      td: ["colspan", "rowspan"],
      th: ["colspan", "rowspan", "scope"],
      ...(options.formulas && FORMULA_ATTRIBUTES),
    },
    allowedSchemes: ["http", "https", "mailto"],
    allowedSchemesByTag: { img: ["data"] },
    allowProtocolRelative: false,
    transformTags: {
      // The page's own title is the heading of the room the text is read in.
      h1: "h2",
      a: (_, attributes) => ({
        tagName: "a",
        attribs: { ...attributes, ...(attributes.href && { rel: "noreferrer nofollow", target: "_blank" }) },
      }),
    },
    nonTextTags: [
      "script",
      "style",
      "textarea",
      "option",
      "noscript",
      "template",
      "iframe",
      "object",
      "svg",
      ...(options.formulas ? ["annotation", "annotation-xml"] : ["math"]),
      "title",
    ],
    nestingLimit: 60,
  });
  return withoutEmpty(clean);
}

/** The same without elements in which nothing stands. */
export const withoutEmpty = (html: string): string =>
  html.replace(/(?:<(p|div|span|li|section|a)>\s*<\/\1>\s*)+/g, "").trim();
