import { Parser } from "htmlparser2";
import { INSIDE } from "../../page/text-pictures";
import { escape } from "../../publish/html";
import { linksOfPart, numbered, picturesOfPart } from "./relations";
import { unpack } from "./unpack";

/**
 * The words of a presentation, slide by slide, with their links (ISO/IEC 29500: a:p, a:r, a:t, a:hlinkClick).
 * @param bytes the whole file, within the bounds `officeKind` has seen to
 */
export function slidesHtml(bytes: Uint8Array): { html: string; pages: number } {
  const parts = unpack(bytes, (name) => /^ppt\/slides\/(_rels\/)?slide\d+\.xml(\.rels)?$/.test(name));
  const slides = numbered(parts, "ppt/slides/slide");
  const html = slides.map(
    (name, i) =>
      `<h2>Slide ${i + 1}</h2>${slide(parts.read(name), linksOfPart(parts, name), picturesOfPart(parts, name))}`,
  );
  return { html: html.join(""), pages: slides.length };
}

function slide(
  xml: string,
  links: ReadonlyMap<string, string>,
  pictures: ReadonlyMap<string, string>,
): string {
  let html = "";
  /** What stands in the paragraph that is open; null: none is. */
  let paragraph: string | null = null;
  let inWord = false;
  let link: string | undefined;
  /** What a picture or a drawing is called, which may be a link as a whole. */
  let shape = "";
  const linked = (address: string, words: string) => `<a href="${escape(address)}">${escape(words)}</a>`;
  const parser = new Parser(
    {
      onopentag(name, at) {
        if (name === "a:p") paragraph = "";
        else if (name === "a:t") inWord = true;
        else if (name === "p:cNvPr") shape = at.descr || at.title || "";
        else if (name === "a:blip") {
          const picture = pictures.get(at["r:embed"] ?? "");
          if (picture) html += `<p><img src="${INSIDE}${escape(picture)}" alt="${escape(shape)}"></p>`;
        } else if (name === "a:hlinkClick") {
          const address = links.get(at["r:id"] ?? "");
          if (paragraph !== null) link = address;
          else if (address) html += `<p>${linked(address, shape || address)}</p>`;
        }
      },
      ontext(words) {
        if (inWord && paragraph !== null) paragraph += link ? linked(link, words) : escape(words);
      },
      onclosetag(name) {
        if (name === "a:t") inWord = false;
        else if (name === "a:r") link = undefined;
        else if (name === "a:p") {
          if (paragraph) html += `<p>${paragraph}</p>`;
          paragraph = null;
        }
      },
    },
    { xmlMode: true, decodeEntities: true },
  );
  parser.end(xml);
  return html;
}
