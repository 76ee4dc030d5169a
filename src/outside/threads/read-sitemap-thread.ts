import { gunzipSync } from "node:zlib";
import { likelyElsewhere, readSitemap } from "@/core/health/elsewhere";
import { decodePage } from "../fetch/decode";

export type SitemapTask = {
  body: Uint8Array;
  contentType: string;
  /** The page that is looked for, and how many that may be it are wanted. */
  wanted: { address: string; title: string };
  most: number;
};
/** Pages that may be it, the likeliest first, and more sitemaps. */
export type SitemapAnswer = { likely: string[]; more: string[] };

/** One that is larger when it is unpacked is let go (https://www.sitemaps.org/protocol.html: 50 MB at the most). */
const MOST_UNPACKED = 20 * 1024 * 1024;

/** Which of the pages a sitemap names, which may be packed by itself, are likely to be the one that is looked for. */
export default function work({ body, contentType, wanted, most }: SitemapTask): SitemapAnswer {
  const isPacked = body[0] === 0x1f && body[1] === 0x8b;
  const text = isPacked
    ? gunzipSync(body, { maxOutputLength: MOST_UNPACKED }).toString("utf8")
    : decodePage(Buffer.from(body), contentType);
  const { pages, more } = readSitemap(text);
  return { likely: likelyElsewhere(wanted, pages, most), more: more.slice(0, most) };
}
