import { Parser } from "htmlparser2";

/** What a sitemap names: pages, and more sitemaps. */
export type Sitemap = { pages: string[]; more: string[] };
/** So much of one is read: as many as the protocol lets stand in it (https://www.sitemaps.org/protocol.html). */
const MOST = 50_000;

/** The pages and the sitemaps a sitemap names (https://www.sitemaps.org/protocol.html: `urlset` and `sitemapindex`). */
export function readSitemap(xml: string): Sitemap {
  const found: Sitemap = { pages: [], more: [] };
  const open: string[] = [];
  let text = "";
  const parser = new Parser(
    {
      onopentagname(name) {
        open.push(name.replace(/^.*:/, ""));
        text = "";
      },
      ontext(more) {
        if (open.at(-1) === "loc" && text.length < 4_000) text += more;
      },
      onclosetag() {
        const [name, inside] = [open.pop(), open.at(-1)];
        const address = text.trim();
        if (name !== "loc" || !/^https?:\/\//i.test(address)) return;
        const list = inside === "url" ? found.pages : inside === "sitemap" ? found.more : null;
        if (list && list.length < MOST) list.push(address);
      },
    },
    { xmlMode: true, decodeEntities: true },
  );
  parser.end(xml);
  return found;
}

/** The sitemaps a robots.txt names (https://www.sitemaps.org/protocol.html#submit_robots). */
export const sitemapsOfRobots = (text: string): string[] =>
  [...text.slice(0, 500_000).matchAll(/^[ \t]*sitemap[ \t]*:[ \t]*(https?:\/\/\S+)/gim)].map(
    (one) => one[1]!,
  );

const wordsOf = (text: string): Set<string> =>
  new Set(
    text
      .normalize("NFKC")
      .toLowerCase()
      .match(/[\p{L}\p{N}]+/gu) ?? [],
  );

/** The part of both in all of both, from 0 to 1 (Jaccard). */
function shared(a: ReadonlySet<string>, b: ReadonlySet<string>): number {
  let both = 0;
  for (const word of a) if (b.has(word)) both++;
  return both ? both / (a.size + b.size - both) : 0;
}

/** From here on two titles are those of one page, however the site dresses them. */
const SAME = 0.75;

/** A title, and what is left of it without the name of the site before or after it; one word alone is no title then. */
function formsOf(title: string): Set<string>[] {
  const parts = title.split(/\s+[-–—·|»]\s+/).map(wordsOf);
  return [
    wordsOf(title),
    ...(parts.length > 1 ? [parts[0]!, parts.at(-1)!].filter((one) => one.size > 1) : []),
  ];
}

/** Whether two titles are those of the same page: in much the same words, whatever order and marks. */
export const isSameTitle = (a: string, b: string): boolean =>
  formsOf(a).some((one) => formsOf(b).some((other) => shared(one, other) >= SAME));

/** What the end of an address is called, in words. */
function wordsOfPath(address: string): Set<string> {
  const parts = new URL(address).pathname.split("/").filter(Boolean);
  const last = (parts.at(-1) ?? "").replace(/\.\w{1,5}$/, "");
  try {
    return wordsOf(decodeURIComponent(last));
  } catch {
    return wordsOf(last);
  }
}

/** Below this an address has too little in common with what is looked for. */
const LEAST = 0.3;

/**
 * Where a page most likely stands now, among the addresses of a site: by what their ends are called.
 * @param page its address as it was, and its title
 * @returns the likeliest first
 */
export function likelyElsewhere(
  { address, title }: { address: string; title: string },
  among: readonly string[],
  most: number,
): string[] {
  const [end, words] = [wordsOfPath(address), wordsOf(title)];
  return among
    .filter((one) => one !== address && URL.canParse(one))
    .map((one) => {
      const own = wordsOfPath(one);
      return { one, by: Math.max(shared(end, own), shared(words, own)) };
    })
    .filter(({ by }) => by >= LEAST)
    .sort((a, b) => b.by - a.by || (a.one < b.one ? -1 : 1))
    .slice(0, most)
    .map(({ one }) => one);
}
