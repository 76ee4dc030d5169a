import { escape } from "./html";
import { CARD } from "./reader-machines";

/** What a page says of itself to a site that wants to set it in, by oEmbed 1.0 (https://oembed.com, 2.3.4). */
export type Embed = {
  title: string;
  author: string;
  /** The address of the page, and of Hobbin. */
  address: string;
  home: string;
};

const LEAST = 200;
/** As large as it is set in when nobody says otherwise, in pixels. */
const SIZE = { width: 720, height: 600 };

/**
 * @param most how wide and high it may be at the most, as the asking site says; NaN: it does not
 */
export function embedOf({ title, author, address, home }: Embed, most: { width: number; height: number }) {
  const within = (size: number, limit: number) => (limit >= 1 ? Math.min(size, Math.floor(limit)) : size);
  const width = within(SIZE.width, most.width);
  const height = within(SIZE.height, most.height);
  const hasRoom = !(most.width < LEAST) && !(most.height < LEAST);
  return {
    version: "1.0",
    type: "rich",
    title,
    author_name: author,
    provider_name: "Hobbin",
    provider_url: home,
    cache_age: 3_600,
    // A picture must fit, too, or none may be named (2.3.4.4).
    ...(hasRoom &&
      !(most.width < CARD.width) &&
      !(most.height < CARD.height) && {
        thumbnail_url: `${address}/card.png`,
        thumbnail_width: CARD.width,
        thumbnail_height: CARD.height,
      }),
    width,
    height,
    html: `<iframe src="${escape(address)}" width="${width}" height="${height}" title="${escape(title)}" style="border:0" loading="lazy" allow="fullscreen"></iframe>`,
  };
}

/** The same as XML, as the page on oEmbed has it. */
export const embedXml = (embed: Record<string, unknown>): string =>
  `<?xml version="1.0" encoding="utf-8" standalone="yes"?>\n<oembed>${Object.entries(embed)
    .map(([name, value]) => `<${name}>${escape(String(value))}</${name}>`)
    .join("")}</oembed>\n`;
