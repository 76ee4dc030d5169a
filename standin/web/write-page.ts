import type { Manner, Page, Site } from "./page";
import { prose } from "./prose";

const esc = (text: string) => text.replace(/&/g, "&amp;").replace(/</g, "&lt;").replace(/"/g, "&quot;");
const meta = (name: string, content: string | undefined) =>
  content ? `<meta name="${name}" content="${esc(content)}">` : "";
const og = (property: string, content: string | undefined) =>
  content ? `<meta property="${property}" content="${esc(content)}">` : "";
const ld = (data: object) =>
  `<script type="application/ld+json">${JSON.stringify({ "@context": "https://schema.org", ...data })}</script>`;

/** A page as its site would write it: menu, adverts, text, footer, and metadata in the site's manner. */
export function writePage(site: Site, page: Page, origin: string): string {
  const url = origin + page.path;
  const head = HEADS[page.manner]({ site, page, origin, url, picture: `${origin}/picture${page.path}.jpg` });
  const paragraphs = page.body ?? (isMedia(page.manner) ? [page.about] : prose(page.path, page.minutes));
  const title =
    page.manner === "poor" ? "" : page.manner === "linked" ? site.name : `${page.title} – ${site.name}`;
  return `<!DOCTYPE html>
<html lang="${page.lang ?? "en"}">
<head>
<meta charset="${page.charset ?? "utf-8"}">
<title>${esc(title)}</title>
${head}
</head>
<body>
${page.manner === "wall" ? `<dialog open class="consent"><h2>We and our 214 partners</h2><p>Please accept everything to go on reading about everything.</p><button>Accept all</button></dialog>` : ""}
<header><a href="/">${site.name}</a><nav><a href="/">Home</a> <a href="/archive">Archive</a> <a href="/shop">Mugs and boots</a></nav></header>
<aside class="advert">Boots that stay dry. Until they do not.</aside>
<main><article>
<h1>${esc(page.title)}</h1>
${page.by ? `<p class="byline">By ${page.by.map(esc).join(" and ")}</p>` : ""}
${media(page, origin)}
${paragraphs.map((text) => `<p>${esc(text)}</p>`).join("\n")}
</article></main>
<footer>© ${site.name}. <a href="/imprint">Imprint</a></footer>
</body>
</html>`;
}

type Told = { site: Site; page: Page; origin: string; url: string; picture: string };

const card = ({ site, page, url, picture }: Told, type = "article") =>
  [
    og("og:type", type),
    og("og:title", page.title),
    og("og:description", page.about),
    og("og:site_name", site.name),
    og("og:url", url),
    og("og:image", picture),
    og("article:published_time", page.on && `${page.on}T08:00:00Z`),
    meta("author", page.by?.[0]),
    meta("description", page.about),
  ].join("\n");

const HEADS: Record<Manner, (told: Told) => string> = {
  card: (told) => card(told),
  wall: (told) => card(told),
  linked: ({ site, page, url, picture }) =>
    ld({ "@type": "BreadcrumbList", itemListElement: [] }) +
    `<script type="application/ld+json">{ broken, as they often are</script>` +
    ld({
      "@graph": [
        { "@type": "Organization", name: site.name },
        {
          "@type": "Article",
          headline: page.title,
          description: page.about,
          author: (page.by ?? []).map((name) => ({ "@type": "Person", name })),
          datePublished: page.on,
          image: { "@type": "ImageObject", url: picture },
          publisher: { "@type": "Organization", name: site.name },
          mainEntityOfPage: url,
        },
      ],
    }),
  library: ({ site, page }) =>
    [
      `<link rel="schema.DC" href="http://purl.org/dc/elements/1.1/">`,
      meta("DC.title", page.title),
      ...(page.by ?? []).map((name) => meta("DC.creator", name)),
      meta("DC.date", page.on),
      meta("DC.publisher", site.name),
      meta("DC.description", page.about),
      meta("DC.language", page.lang ?? "en"),
    ].join("\n"),
  journal: ({ site, page, url }) =>
    [
      meta("citation_title", page.title),
      ...(page.by ?? []).map((name) => meta("citation_author", name)),
      meta("citation_publication_date", page.on),
      meta("citation_journal_title", site.name),
      meta("citation_abstract", page.about),
      meta("citation_pdf_url", `${url}.pdf`),
      meta("citation_doi", "10.99999/abr." + page.path.length),
    ].join("\n"),
  plain: ({ page }) =>
    [
      meta("description", page.about),
      meta("author", page.by?.[0]),
      page.on ? `<meta itemprop="datePublished" content="${page.on}">` : "",
    ].join("\n"),
  poor: () => "",
  watch: (told) =>
    `${card(told, "website")}\n<link rel="alternate" type="application/json+oembed" href="${told.origin}/oembed?url=${encodeURIComponent(told.url)}">`,
  clip: (told) =>
    `${card(told, "video.other")}\n${og("og:video", `${told.origin}/files/clip.webm`)}\n${og("og:video:type", "video/webm")}\n${og("video:duration", String(told.page.minutes * 60))}`,
  film: ({ page, origin, picture }) =>
    ld({
      "@type": "VideoObject",
      name: page.title,
      description: page.about,
      uploadDate: page.on,
      duration: `PT${page.minutes}M5S`,
      thumbnailUrl: [picture],
      contentUrl: `${origin}/files/clip.webm`,
      encodingFormat: "video/webm",
      author: page.by?.[0],
    }),
  listen: (told) =>
    `${card(told, "music.song")}\n${og("og:audio", `${told.origin}/files/call.wav`)}\n${og("og:audio:type", "audio/wav")}\n${og("music:duration", String(told.page.minutes * 60))}`,
  episode: ({ site, page, origin, picture }) =>
    ld({
      "@type": "PodcastEpisode",
      name: page.title,
      description: page.about,
      datePublished: page.on,
      duration: `PT${page.minutes}M`,
      image: picture,
      associatedMedia: { "@type": "MediaObject", contentUrl: `${origin}/files/call.wav` },
      author: (page.by ?? []).map((name) => ({ "@type": "Person", name })),
      publisher: { "@type": "Organization", name: site.name },
    }),
};

const isMedia = (manner: Manner) => ["watch", "clip", "film", "listen", "episode"].includes(manner);

function media(page: Page, origin: string): string {
  if (page.manner === "watch")
    return `<iframe src="${origin}/player${page.path}" title="${esc(page.title)}"></iframe>`;
  if (page.manner === "clip" || page.manner === "film")
    return `<video controls src="/files/clip.webm"></video>`;
  if (page.manner === "listen" || page.manner === "episode")
    return `<audio controls src="/files/call.wav"></audio>`;
  return page.manner === "card" ? `<img src="/picture${page.path}.jpg" alt="" width="800" height="450">` : "";
}

/** What the oEmbed endpoint of the video site answers. */
export function oembed(site: Site, page: Page, origin: string) {
  return {
    version: "1.0",
    type: "video",
    title: page.title,
    author_name: page.by?.[0],
    provider_name: site.name,
    provider_url: origin,
    thumbnail_url: `${origin}/picture${page.path}.jpg`,
    thumbnail_width: 800,
    thumbnail_height: 450,
    width: 640,
    height: 360,
    duration: page.minutes * 60,
    html: `<iframe width="640" height="360" src="${origin}/player${page.path}" allowfullscreen></iframe>`,
  };
}
