import { Parser } from "htmlparser2";
import { INSIDE } from "../../page/text-pictures";
import { escape } from "../../publish/html";
import { unpack } from "./unpack";

/**
 * The contents of an OpenDocument file as plain HTML (ISO/IEC 26300: text:h, text:p, text:a, table:table).
 * @param bytes the whole file, within the bounds `officeKind` has seen to
 */
export function openDocumentHtml(
  bytes: Uint8Array,
  isSlides: boolean,
): { html: string; pages: number | null } {
  const html = bodyHtml(unpack(bytes, (name) => name === "content.xml").read("content.xml"));
  return { html, pages: isSlides ? html.split("<h2>").length - 1 : null };
}

const OPEN: Record<string, string> = {
  "text:list": "ul",
  "text:list-item": "li",
  "table:table": "table",
  "table:table-row": "tr",
  "table:table-cell": "td",
};
const MOST_LENGTH = 4_000_000;

function bodyHtml(xml: string): string {
  let html = "";
  let inBody = false;
  let silent = 0;
  const parser = new Parser(
    {
      onopentag(name, at) {
        if (name === "office:body") inBody = true;
        if (!inBody || html.length > MOST_LENGTH) return;
        if (name === "office:annotation" || name === "text:tracked-changes") silent++;
        if (silent) return;
        if (name === "draw:image") picture ??= at["xlink:href"] ?? null;
        if (name === "svg:title" || name === "svg:desc") return void (inWords = true);
        if (name === "draw:page") html += `<h2>${escape(at["draw:name"] ?? "Page")}</h2>`;
        else if (name === "text:h") html += `<h${level(at)}>`;
        else if (name === "text:p") html += "<p>";
        else if (name === "text:tab" || name === "text:s") html += " ";
        else if (name === "text:line-break") html += "<br>";
        else if (name === "text:a" && /^https?:/i.test(at["xlink:href"] ?? ""))
          html += `<a href="${escape(at["xlink:href"]!)}">`;
        else if (OPEN[name]) html += `<${OPEN[name]}>`;
        levels.push(name === "text:h" ? level(at) : 0);
        links.push(name === "text:a" && /^https?:/i.test(at["xlink:href"] ?? ""));
      },
      ontext(part) {
        if (inWords) return void (words += part);
        if (inBody && !silent && html.length <= MOST_LENGTH && part.trim()) html += escape(part);
        else if (inBody && !silent && part && !html.endsWith(" ")) html += " ";
      },
      onclosetag(name) {
        if (name === "office:body") inBody = false;
        if (name === "office:annotation" || name === "text:tracked-changes") {
          silent = Math.max(0, silent - 1);
          return;
        }
        if (!inBody || silent || html.length > MOST_LENGTH) return;
        if (name === "svg:title" || name === "svg:desc") return void (inWords = false);
        if (name === "draw:frame") {
          if (picture && !/^[a-z]+:/i.test(picture))
            html += `<img src="${INSIDE}${escape(picture.replace(/^\.\//, ""))}" alt="${escape(words.trim())}">`;
          [picture, words] = [null, ""];
        }
        const depth = levels.pop() ?? 0;
        const link = links.pop();
        if (name === "text:h") html += `</h${depth}>`;
        else if (name === "text:p") html += "</p>";
        else if (name === "text:a" && link) html += "</a>";
        else if (OPEN[name]) html += `</${OPEN[name]}>`;
      },
    },
    { xmlMode: true, decodeEntities: true },
  );
  /** Of the frame that is open: where its picture lies, and what it says of itself (ISO/IEC 26300-1, 10.4.2, 10.4.4, 10.4.16). */
  let picture: string | null = null;
  let words = "";
  let inWords = false;
  const levels: number[] = [];
  const links: boolean[] = [];
  parser.end(xml);
  return html;
}

const level = (at: Record<string, string>) =>
  Math.min(6, Math.max(2, Number(at["text:outline-level"] ?? 1) + 1));
