import { readAddress } from "../address/read-address";
import { fromQuotedPrintable } from "../text/quoted-printable";
import { definitionsIn } from "./markdown-definitions";
import { bareLink, emptyFolder, type ImportedFile, type ImportedFolder } from "../formats/imported";

export type FoundLink = { address: string; title: string; /** Where in the text it begins. */ at: number };
export type Found = { links: FoundLink[]; malformed: string[] };

/** What may begin an address: a scheme, also a mistyped one, or www. */
const START = /(?:\b(?:h?t{1,2}ps?|hxxps?|https?)\s?:\s?\/{1,3}|\bhttps?\/\/|\bwww\.)/giu;
const MARKDOWN = /\[([^[\]\n]{1,300})\]\(\s*<?((?:[^\s<>()]|\([^\s<>()]*\))+)>?(?:\s+"[^"]*")?\s*\)/gu;
const CLOSERS: Record<string, string> = { ")": "(", "]": "[", "}": "{" };

/**
 * Finds the web addresses in plain text: bare ones, those in brackets, Markdown links and definitions, and those that mail
 * broke over two lines. The sentence around an address does not become part of it: closing brackets only belong to it when they
 * were opened in it, and a full stop or comma at the end never does. What looks like an address and is none comes
 * back as malformed, as it stands.
 * @param text plain text of any length
 * @example
 * findLinks("The water table: https://bog.example/a.").links;
 * // [{ address: "https://bog.example/a", title: "The water table", at: 17 }]
 */
export function findLinks(text: string): Found {
  const whole = joinBroken(text);
  const links: FoundLink[] = [];
  const malformed: string[] = [];
  const marked: [from: number, to: number][] = [];
  for (const found of whole.matchAll(MARKDOWN)) {
    const read = readAddress(found[2]!);
    if (!read.ok) continue;
    marked.push([found.index, found.index + found[0].length]);
    links.push({ address: read.address, title: found[1]!.replace(/\s+/g, " ").trim(), at: found.index });
  }
  for (const { address, title, at, end } of definitionsIn(whole)) {
    marked.push([at, end]);
    links.push({ address, title, at });
  }
  marked.sort(([a], [b]) => a - b);
  // Both go forward through the text, so that what is taken already is known by where one is.
  let next = 0;
  let taken = 0;
  for (const { index: at } of whole.matchAll(START)) {
    while (marked[next] && marked[next]![1] <= at) next++;
    if (at < taken || (marked[next] && marked[next]![0] <= at)) continue;
    const ahead = whole.slice(at, at + LONGEST).replace(/^(\S{1,7}?)\s?:\s?\//, "$1:/");
    const raw = /^\S+/.exec(ahead)?.[0] ?? "";
    const candidate = trimEnd(raw.split(ENDS)[0]!);
    if (!candidate) continue;
    const written = asWritten(candidate);
    const read = /^(https?:\/\/[^/\s]|www\.[^.\s/]+\.)/i.test(written) ? readAddress(written) : null;
    taken = at + candidate.length;
    if (read?.ok && looksWhole(read.address))
      links.push({ address: read.address, title: titleNear(whole, at, candidate.length), at });
    else malformed.push(candidate);
  }
  return { links: links.sort((a, b) => a.at - b.at), malformed };
}

/**
 * What no address goes beyond: quotes, bars, dashes and the marks of scripts that put no blank behind them (Unicode's blocks
 * "CJK Symbols and Punctuation" and "Halfwidth and Fullwidth Forms", without letters and figures).
 */
const ENDS =
  /[<>"“”„«»‹›|`—\u0000-\u001f\u3000-\u3004\u3008-\u301f\u3030\uff01-\uff0f\uff1a-\uff20\uff3b-\uff40\uff5b-\uff65]/u;

/** What stands for a sign in the source of a page, or in TeX, is that sign. */
const asWritten = (candidate: string): string =>
  candidate.replace(/&amp;/g, "&").replace(/\\([_%&#~])/g, "$1");

/** What is longer is no address, in characters; only so far is looked ahead. */
const LONGEST = 2_100;
/** The words for an address are looked for so far before and behind it, in characters. */
const NEAR = 1_000;

/** A host with a dot, a number or localhost; "http://word" is somebody's slip. */
function looksWhole(address: string): boolean {
  const { hostname } = new URL(address);
  return hostname.includes(".") || hostname.startsWith("[") || hostname === "localhost";
}

function trimEnd(candidate: string): string {
  /** How often each bracket stands in what is left; counted when the first one is met. */
  let left: Map<string, number> | undefined;
  const count = (sign: string) => left!.get(sign) ?? 0;
  let end = candidate.length;
  for (; end; end--) {
    const last = candidate[end - 1]!;
    const opener = CLOSERS[last];
    if (opener) {
      left ??= tally(candidate.slice(0, end));
      if (count(opener) >= count(last)) break;
      left.set(last, count(last) - 1);
    } else if (!/[.,;:!?'’”…*_]/u.test(last)) break;
  }
  return candidate.slice(0, end);
}

function tally(text: string): Map<string, number> {
  const all = new Map<string, number>();
  for (const sign of text) all.set(sign, (all.get(sign) ?? 0) + 1);
  return all;
}

/** The words before an address on its line, or the line above when the address stands alone. */
function titleNear(text: string, at: number, length: number): string {
  const near = text.slice(Math.max(0, at - NEAR), at);
  const lineStart = near.lastIndexOf("\n") + 1;
  const line = near.slice(lineStart);
  // Another address stands before it: the words are that one's.
  if (hasAddress(line)) return "";
  const before = words(clean(line));
  if (before) return before;
  const after = text.slice(at + length, at + length + NEAR).split("\n", 1)[0]!;
  const behind = words(clean(after));
  if (behind && !hasAddress(after)) return behind;
  const above = near.slice(near.lastIndexOf("\n", lineStart - 2) + 1, Math.max(0, lineStart - 1));
  return above.trim() && !hasAddress(above) && !isHeading(above, "") ? words(clean(above)) : "";
}

const hasAddress = (text: string) => /https?:\/\/|www\./i.test(text);
const clean = (text: string) =>
  text
    .replace(/^(?:[\s>*•·–—#-]+|\s*\(?\d{1,3}[.)]\s+|\s*\[\^?\d{1,3}\]:?\s*)/gu, "")
    .replace(/^[\s,;.:!?>、。，；：！？]+|[\s:;,<([{|–—-]+$/gu, "")
    // Of what opens or closes around it no half stays.
    .replace(
      /^(?:[([{「『（【《]+(?=[^)\]}」』）】》]*$)|[)\]}」』）】》]+)|(?<=^[^([{「『（【《]*)[)\]}」』）】》]+$/gu,
      "",
    )
    .replace(/\s+/g, " ")
    .trim()
    .slice(0, 300);
/** What has no word in it, or only the one an address has in the source of a page or in TeX, is nobody's title. */
const words = (text: string): string =>
  /\p{L}|\d{4}/u.test(text) && !/^\\?(?:url|href|src)\W*$/i.test(text) ? text : "";

/**
 * Mends addresses that were broken over two lines: between < and > always; bare ones when the line is as long as mail
 * lines are (60 characters or more), ends inside the address, and the next line goes on like one; and quoted-printable soft
 * breaks. Each joined break becomes nothing, so places in the text shift.
 */
function joinBroken(text: string): string {
  const mended = fromQuotedPrintable(text.replace(/\r\n?/g, "\n")).replace(
    /<(https?:\/\/[^<>\s]+(?:\n[ \t]*[^<>\s]+)+)>/gi,
    (_, inside: string) => `<${inside.replace(/\s+/g, "")}>`,
  );
  const lines = mended.split("\n");
  let joined = lines[0]!;
  for (let i = 1; i < lines.length; i++)
    joined += goesOn(lines[i - 1]!, lines[i]!) ? lines[i]! : `\n${lines[i]!}`;
  return joined;
}

/** Whether an address at the end of a line goes on at the beginning of the next. */
function goesOn(line: string, nextLine: string): boolean {
  if (line.length < 60 || /[.,;:!?)>\]\s]$/.test(line)) return false;
  const last = line.slice(-LONGEST).split(/\s/).at(-1)!;
  const next = /^[^\s<>]+/.exec(nextLine.slice(0, LONGEST))?.[0] ?? "";
  return (
    /https?:\/\/\S/i.test(last) &&
    next !== "" &&
    !/:\/\/|^www\.|^[-*•>#([<]|^\d+[.)]$/i.test(next) &&
    /[/?&=%#_]|^[a-z0-9-]+\.(html?|php|pdf|aspx?)\b/i.test(next)
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
  return { root, passedOver: [], malformed };
}
