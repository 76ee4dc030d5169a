import { readAddress } from "../address/read-address";
import { bareLink, emptyFolder, type ImportedFile, type ImportedFolder } from "../formats/imported";

export type FoundLink = { address: string; title: string; /** Where in the text it begins. */ at: number };
export type Found = { links: FoundLink[]; malformed: string[] };

/** What may begin an address: a scheme, also a mistyped one, or www. */
const START = /(?:\b(?:h?t{1,2}ps?|hxxps?|https?)\s?:\s?\/{1,3}|\bhttps?\/\/|\bwww\.)/giu;
const MARKDOWN = /\[([^\]\n]{1,300})\]\(\s*<?((?:[^\s<>()]|\([^\s<>()]*\))+)>?(?:\s+"[^"]*")?\s*\)/gu;
const CLOSERS: Record<string, string> = { ")": "(", "]": "[", "}": "{" };

/**
 * Finds the web addresses in plain text: bare ones, those in brackets, Markdown links, and those that mail broke over
 * two lines. The sentence around an address does not become part of it: closing brackets only belong to it when they
 * were opened in it, and a full stop or comma at the end never does. What looks like an address and is none comes
 * back as malformed, as it stands.
 * @param text plain text of any length
 */
export function findLinks(text: string): Found {
  const whole = joinBroken(text);
  const links: FoundLink[] = [];
  const malformed: string[] = [];
  const taken: [number, number][] = [];
  for (const found of whole.matchAll(MARKDOWN)) {
    const read = readAddress(found[2]!);
    if (!read.ok) continue;
    taken.push([found.index, found.index + found[0].length]);
    links.push({ address: read.address, title: found[1]!.replace(/\s+/g, " ").trim(), at: found.index });
  }
  for (const found of whole.matchAll(START)) {
    const at = found.index;
    if (taken.some(([from, to]) => at >= from && at < to)) continue;
    const raw = /^\S+/.exec(whole.slice(at).replace(/^(\S{1,7}?)\s?:\s?\//, "$1:/"))?.[0] ?? "";
    const candidate = trimEnd(raw.split(/[<>"“”«»|\u0000-\u001f]/u)[0]!);
    if (!candidate) continue;
    const read = /^(https?:\/\/[^/\s]|www\.[^.\s/]+\.)/i.test(candidate) ? readAddress(candidate) : null;
    taken.push([at, at + candidate.length]);
    if (read?.ok && looksWhole(read.address))
      links.push({ address: read.address, title: titleNear(whole, at, candidate.length), at });
    else malformed.push(candidate);
  }
  return { links: links.sort((a, b) => a.at - b.at), malformed };
}

/** A host with a dot, a number or localhost; "http://word" is somebody's slip. */
function looksWhole(address: string): boolean {
  const { hostname } = new URL(address);
  return hostname.includes(".") || hostname.startsWith("[") || hostname === "localhost";
}

function trimEnd(candidate: string): string {
  let text = candidate;
  for (;;) {
    const last = text.at(-1) ?? "";
    const opener = CLOSERS[last];
    if (/[.,;:!?'’”…*_]/u.test(last)) text = text.slice(0, -1);
    else if (opener && count(text, opener) < count(text, last)) text = text.slice(0, -1);
    else return text;
  }
}

const count = (text: string, sign: string) => text.split(sign).length - 1;

/** The words before an address on its line, or the line above when the address stands alone. */
function titleNear(text: string, at: number, length: number): string {
  const lineStart = text.lastIndexOf("\n", at - 1) + 1;
  const before = clean(text.slice(lineStart, at));
  const after = text.slice(at + length).split("\n", 1)[0]!;
  if (before) return hasAddress(before) ? "" : before;
  if (clean(after) && !hasAddress(after)) return clean(after);
  const above = text
    .slice(0, Math.max(0, lineStart - 1))
    .split("\n")
    .at(-1)!;
  return above.trim() && !hasAddress(above) && !isHeading(above, "") ? clean(above) : "";
}

const hasAddress = (text: string) => /https?:\/\/|www\./i.test(text);
const clean = (text: string) =>
  text
    .replace(/^[\s>*•·–—#-]+|^\s*\(?\d{1,3}[.)]\s+/gu, "")
    .replace(/[\s:;,<([{|–—-]+$/gu, "")
    .replace(/\s+/g, " ")
    .trim()
    .slice(0, 300);

/**
 * Mends addresses that were broken over two lines: between < and > always; bare ones when the line is as long as mail
 * lines are (60 characters or more), ends inside the address, and the next line goes on like one; and quoted-printable soft
 * breaks. Each joined break becomes nothing, so places in the text shift.
 */
function joinBroken(text: string): string {
  return text
    .replace(/\r\n?/g, "\n")
    .replace(/=\n(?=\S)/g, "")
    .replace(
      /<(https?:\/\/[^<>\s]+(?:\n[ \t]*[^<>\s]+)+)>/gi,
      (_, inside: string) => `<${inside.replace(/\s+/g, "")}>`,
    )
    .replace(
      /(https?:\/\/\S+)\n(?=([^\s<>]+))/gi,
      (all, start: string, next: string, offset: number, whole: string) => {
        const line = whole.slice(whole.lastIndexOf("\n", offset) + 1, offset + start.length);
        const goesOn =
          line.length >= 60 &&
          !/:\/\/|^www\.|^[-*•>#([<]|^\d+[.)]$/i.test(next) &&
          /[/?&=%#_]|^[a-z0-9-]+\.(html?|php|pdf|aspx?)\b/i.test(next) &&
          !/[.,;:!?)>\]]$/.test(start);
        return goesOn ? start : all;
      },
    );
}

/** A short line that ends in a colon, is marked as a heading, or is underlined. */
function isHeading(line: string, next: string): boolean {
  const words = line.trim();
  if (!words || words.length > 100 || hasAddress(words)) return false;
  return /^#{1,6}\s/.test(words) || /:$/.test(words) || /^[=\-~]{3,}$/.test(next.trim());
}

/**
 * A pasted text as a tree: links under the heading above them, headings as proposed sections. Text without any link
 * gives an empty tree; it is a note then.
 * @param text lines, indented by blanks or tabs
 */
export function outlineText(text: string): ImportedFile & { malformed: string[] } {
  const root = emptyFolder();
  const malformed: string[] = [];
  let section: ImportedFolder = root;
  let part: string[] = [];
  const flush = () => {
    const found = findLinks(part.join("\n"));
    malformed.push(...found.malformed);
    section.children.push(...found.links.map(({ address, title }) => bareLink(address, { title })));
    part = [];
  };
  const lines = joinBroken(text).split("\n");
  for (const [i, line] of lines.entries()) {
    if (isHeading(line, lines[i + 1] ?? "")) {
      flush();
      section = { ...emptyFolder(clean(line).slice(0, 200)), section: true };
      root.children.push(section);
    } else if (!/^[=\-~]{3,}$/.test(line.trim())) part.push(line);
  }
  flush();
  root.children = root.children.filter((child) => child.type === "link" || child.children.length > 0);
  return { root, passedOver: 0, malformed };
}
