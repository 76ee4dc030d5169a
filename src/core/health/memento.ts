/** A page as an archive of the web kept it. */
export type Memento = { address: string; at: Date };

/** One link of a `Link` header (RFC 8288): where it leads, and what it says of it. */
type HeaderLink = { address: string; rel: string[]; datetime: string | null };

/** So many links of one header are looked at; a list of all mementos may be long. */
const MOST = 1_000;
// Whatever stands somewhere can be read in one way alone, else many ways would be tried: no value is empty (RFC 8288, 3).
const ONE =
  /\s*<([^<>]*)>((?:\s*;\s*[\w!#$&+.^`|~*-]+(?:\s*=\s*(?:"(?:[^"\\]|\\.)*"|[^\s",;]+))?)*)\s*(?:,|$)/y;
const PARAMETER = /;\s*([\w!#$&+.^`|~*-]+)(?:\s*=\s*(?:"((?:[^"\\]|\\.)*)"|([^\s",;]+)))?/g;

/**
 * The links of a `Link` header (RFC 8288, 3), or of a list of mementos, which is written the same way (RFC 7089, 5).
 * @returns as far as it can be read; the first of two parameters of one name counts (RFC 8288, 3.3)
 */
export function linksOfHeader(text: string): HeaderLink[] {
  const links: HeaderLink[] = [];
  ONE.lastIndex = 0;
  while (ONE.lastIndex < text.length && links.length < MOST) {
    const found = ONE.exec(text);
    if (!found) break;
    const said = new Map<string, string>();
    for (const [, name, quoted, plain] of found[2]!.matchAll(PARAMETER))
      if (!said.has(name!.toLowerCase()))
        said.set(name!.toLowerCase(), (quoted ?? plain ?? "").replace(/\\(.)/g, "$1"));
    const rel = (said.get("rel") ?? "").toLowerCase().split(/\s+/).filter(Boolean);
    links.push({ address: found[1]!.trim(), rel, datetime: said.get("datetime") ?? null });
  }
  return links;
}

/** The moment of an HTTP date (RFC 9110, 5.6.7, the form that is sent); null: it is none. */
export function httpDate(text: string): Date | null {
  if (!/^(Mon|Tue|Wed|Thu|Fri|Sat|Sun), \d{2} [A-Z][a-z]{2} \d{4} \d{2}:\d{2}:\d{2} GMT$/.test(text.trim()))
    return null;
  const at = new Date(text.trim());
  return Number.isNaN(at.getTime()) ? null : at;
}

/** A moment as an HTTP date. */
export const asHttpDate = (at: Date): string => at.toUTCString();

/**
 * What a TimeGate led to (RFC 7089, 4): a memento says of itself when it was taken (2.1.1, `Memento-Datetime`), and of what
 * (2.2, `rel="original"`). Null: it is none, or one of another page.
 * @param original the address that was asked for
 * @param answer where the answer stood, and its headers by their names in small letters
 */
export function mementoOf(
  original: string,
  answer: { address: string; headers: Readonly<Record<string, string>> },
): Memento | null {
  const at = httpDate(answer.headers["memento-datetime"] ?? "");
  if (!at) return null;
  const of = linksOfHeader(answer.headers.link ?? "").find(({ rel }) => rel.includes("original"));
  return of && plain(of.address) !== plain(original) ? null : { address: answer.address, at };
}

/** An address as archives tell them apart: not by the scheme, a `www.`, or a slash at the end. */
const plain = (address: string): string =>
  address
    .trim()
    .replace(/^https?:\/\/(www\.)?/i, "")
    .replace(/#.*$/, "")
    .replace(/\/$/, "")
    .toLowerCase();
