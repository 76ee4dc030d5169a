import { Parser } from "htmlparser2";

/** What a page says of itself, as it stands there, before anything is decided. */
export type Collected = {
  /** Values of `<meta>` by lower-case name, property or itemprop, in order of appearance. */
  meta: Map<string, string[]>;
  links: { rel: string; href: string; type: string }[];
  /** Where links in its text lead to that name a licence, or may. */
  licences: { href: string; isSaid: boolean }[];
  jsonLd: string[];
  title: string;
  firstHeading: string;
  time: string;
  language: string;
  base: string;
  images: string[];
  media: { tag: "video" | "audio"; src: string; mime: string; poster: string }[];
  /** Text of the page without menus, headers, footers and forms. */
  text: string;
};

const NOT_TEXT = new Set([
  "script",
  "style",
  "noscript",
  "template",
  "nav",
  "header",
  "footer",
  "aside",
  "form",
  "dialog",
  "svg",
  "button",
  "select",
]);
const MOST_TEXT = 400_000;
/** No honest page nests as deep; one that does would cost time that grows with the square of its depth. */
const DEEPEST = 2_000;
const PIECE = 16_384;
const MOST_LICENCES = 50;

/**
 * Goes through a page once and gathers what the rules of `readPage` need. Broken markup is taken as browsers take
 * it; nothing in here can throw because of what a page contains.
 * @param html a page as it came, broken or not
 */
export function collect(html: string): Collected {
  const found: Collected = {
    meta: new Map(),
    links: [],
    licences: [],
    jsonLd: [],
    title: "",
    firstHeading: "",
    time: "",
    language: "",
    base: "",
    images: [],
    media: [],
    text: "",
  };
  const open: string[] = [];
  const text: string[] = [];
  let length = 0;
  let silent = 0;
  let inHead = false;
  let jsonLd: string[] | null = null;
  let into: "title" | "firstHeading" | null = null;

  const parser = new Parser(
    {
      onopentag(name, at) {
        open.push(name);
        if (name === "head") inHead = true;
        if (name === "body") inHead = false;
        if (NOT_TEXT.has(name)) silent++;
        if (name === "meta") {
          const key = (at.property ?? at.name ?? at.itemprop ?? at["http-equiv"])?.toLowerCase().trim();
          if (key && at.content?.trim()) {
            const values = found.meta.get(key);
            if (values) values.push(at.content.trim());
            else found.meta.set(key, [at.content.trim()]);
          }
        } else if (name === "link" && at.href && at.rel) {
          found.links.push({ rel: at.rel.toLowerCase(), href: at.href, type: at.type?.toLowerCase() ?? "" });
        } else if ((name === "a" || name === "area") && at.href && found.licences.length < MOST_LICENCES) {
          const isSaid = /(^|\s)license(\s|$)/i.test(at.rel ?? "");
          if (isSaid || /creativecommons\.org\//i.test(at.href))
            found.licences.push({ href: at.href, isSaid });
        } else if (name === "script" && at.type?.toLowerCase().trim() === "application/ld+json") jsonLd = [];
        else if (name === "title" && !found.title && !silent) into = "title";
        else if (name === "h1" && !found.firstHeading) into = "firstHeading";
        else if (name === "html") found.language = at.lang ?? at["xml:lang"] ?? "";
        else if (name === "base" && !found.base) found.base = at.href ?? "";
        else if (name === "time" && !found.time) found.time = at.datetime ?? "";
        else if (name === "img" && at.src && found.images.length < 12 && !isSmall(at))
          found.images.push(at.src);
        else if ((name === "video" || name === "audio") && at.src)
          found.media.push({ tag: name, src: at.src, mime: at.type ?? "", poster: at.poster ?? "" });
        else if (name === "source" && at.src) {
          const tag = open.includes("video") ? "video" : open.includes("audio") ? "audio" : null;
          if (tag) found.media.push({ tag, src: at.src, mime: at.type ?? "", poster: "" });
        }
      },
      ontext(part) {
        if (jsonLd) jsonLd.push(part);
        else if (into) found[into] += part;
        if (!silent && length < MOST_TEXT && !inHead) {
          text.push(part);
          length += part.length;
        }
      },
      onclosetag(name) {
        open.pop();
        if (name === "head") inHead = false;
        if (NOT_TEXT.has(name)) silent = Math.max(0, silent - 1);
        if (name === "script" && jsonLd) {
          found.jsonLd.push(jsonLd.join(""));
          jsonLd = null;
        }
        if (name === "title" || name === "h1") into = null;
        if (!silent && length < MOST_TEXT) text.push(" ");
      },
    },
    { decodeEntities: true },
  );
  for (let i = 0; i < html.length && open.length < DEEPEST; i += PIECE)
    parser.write(html.slice(i, i + PIECE));
  if (open.length < DEEPEST) parser.end();
  found.text = text.join("");
  return found;
}

/** Pictures of a stated size below 100 pixels are signs and counters, not pictures of the matter. */
function isSmall(at: Record<string, string>): boolean {
  return (
    [at.width, at.height].some((size) => size !== undefined && parseInt(size, 10) < 100) ||
    at.src!.startsWith("data:")
  );
}
