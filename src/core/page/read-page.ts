import { resolveReference } from "../address/read-address";
import { onlyLicence, readLicence } from "../licence/read-licence";
import { countWords } from "../text/minutes";
import { collect, type Collected } from "./collect";
import { durationSeconds, partialDate } from "./dates";
import type { Kind, PageFacts, Player } from "./facts";
import { type LinkedData, readJsonLd } from "./json-ld";

/**
 * Reads what a page says of itself. Where several sources speak, this is the order of trust:
 *
 * 1. Highwire citation tags: written by publishers for exact references
 * 2. schema.org JSON-LD: structured, and says what the thing is
 * 3. Open Graph: written to be shown on a card
 * 4. Dublin Core: exact, but often left stale by page systems
 * 5. the other cards' tags (twitter:*)
 * 6. plain HTML: title (or the first heading, when the title only adds the name of the site), description, author, first date
 *
 * For the picture Open Graph comes first: it is what the page wants shown. oEmbed is a second fetch; `withOembed`
 * adds it and it ranks between 4 and 5.
 *
 * @param html the decoded page
 * @param address where it was in the end, after redirects
 */
export function readPage(html: string, address: string): PageFacts {
  const found = collect(html);
  const data = readJsonLd(found.jsonLd);
  const base = resolveReference(found.base, address) ?? address;
  const every = (...names: string[]) => names.flatMap((name) => found.meta.get(name) ?? []);
  const one = (...names: string[]) => every(...names)[0];
  const all = (...names: string[]) =>
    names.map((name) => found.meta.get(name) ?? []).find((values) => values.length) ?? [];

  const player = readPlayer(found, data, base, one);
  const kind = readKind(data, one("og:type"), player, found);
  return {
    kind,
    title: line(
      one("citation_title") ??
        data?.name ??
        one("og:title") ??
        one("dc.title", "dcterms.title") ??
        one("twitter:title") ??
        plainTitle(found),
      500,
    ),
    description: line(
      one("citation_abstract") ??
        data?.description ??
        one("og:description") ??
        one("dc.description", "dcterms.abstract", "dcterms.description") ??
        one("twitter:description") ??
        one("description"),
      2_000,
    ),
    siteName: line(
      one("citation_journal_title", "citation_conference_title") ??
        one("og:site_name") ??
        data?.publisher ??
        one("dc.publisher", "dcterms.publisher") ??
        one("application-name"),
      200,
    ),
    authors: readAuthors(all("citation_author"), data, all, one),
    published: partialDate(
      one("citation_publication_date", "citation_date", "citation_online_date") ??
        data?.published ??
        one(
          "article:published_time",
          "og:article:published_time",
          "video:release_date",
          "book:release_date",
        ) ??
        one("dcterms.issued", "dc.date.issued", "dc.date", "dcterms.date", "dcterms.created") ??
        one("date", "datepublished") ??
        found.time,
    ),
    language: language(
      found.language ||
        one("content-language", "og:locale", "dc.language", "citation_language") ||
        data?.language,
    ),
    licence: readPageLicence(found, data, one),
    pictures: unique(
      [
        ...every("og:image:secure_url", "og:image", "og:image:url"),
        ...(data?.images ?? []),
        ...every("twitter:image", "twitter:image:src"),
        ...found.links.filter((link) => link.rel === "image_src").map((link) => link.href),
        ...found.media.map((m) => m.poster),
        ...found.images,
      ].map((src) => resolveReference(src, base)),
    ).slice(0, 8),
    words: kind === "page" || kind === "document" ? countWords(found.text) || null : null,
    pages: null,
    seconds:
      durationSeconds(data?.duration) ??
      durationSeconds(one("og:video:duration", "video:duration", "og:audio:duration", "music:duration")),
    player,
    canonical: readCanonical(found, one("og:url"), base, address),
    oembed:
      resolveReference(
        found.links.find((l) => l.type === "application/json+oembed" && l.rel.includes("alternate"))?.href,
        base,
      ) ?? null,
  };
}

/** Said of the page's own matter first, then by a link that says so, then by the only licence its links lead to. */
function readPageLicence(found: Collected, data: LinkedData | null, one: One): string | null {
  const said = [
    data?.licence,
    ...found.links.filter((link) => /(^|\s)license(\s|$)/.test(link.rel)).map((link) => link.href),
    one("dcterms.license", "dc.rights.license", "license", "dcterms.rights", "dc.rights"),
    ...found.licences.filter((link) => link.isSaid).map((link) => link.href),
  ];
  for (const words of said) {
    const licence = words ? readLicence(words) : null;
    if (licence) return licence;
  }
  return onlyLicence(found.licences.map((link) => link.href));
}

/** Where the title only repeats the first heading and adds the site's name, the heading is the better title. */
function plainTitle({ title, firstHeading }: Collected): string {
  const [whole, heading] = [title, firstHeading].map((text) => text.replace(/\s+/g, " ").trim()) as [
    string,
    string,
  ];
  return heading &&
    (!whole ||
      (whole !== heading &&
        whole.startsWith(heading) &&
        /^\s*[^\p{L}\p{N}\s]/u.test(whole.slice(heading.length))))
    ? heading
    : whole;
}

type One = (...names: string[]) => string | undefined;

function readAuthors(
  citation: string[],
  data: LinkedData | null,
  all: (...n: string[]) => string[],
  one: One,
): string[] {
  const written = all(
    "author",
    "article:author",
    "og:article:author",
    "parsely-author",
    "sailthru.author",
  ).filter((name) => !/^(https?:|@)/.test(name));
  const names =
    [
      citation.map(turned),
      data?.authors ?? [],
      all("dc.creator", "dcterms.creator").map(turned),
      written,
    ].find((list) => list.length) ??
    [one("twitter:creator")].filter((name): name is string => !!name && !name.startsWith("@"));
  return unique(names.flatMap((name) => line(name, 200) ?? [])).slice(0, 30);
}

/** "Mire, Ada" as citation tags write it, turned to "Ada Mire". */
function turned(name: string): string {
  const parts = name.split(",").map((part) => part.trim());
  return parts.length === 2 && parts[0] && parts[1] ? `${parts[1]} ${parts[0]}` : name;
}

function readKind(
  data: LinkedData | null,
  ogType: string | undefined,
  player: Player | null,
  found: Collected,
): Kind {
  const type = data?.type ?? "";
  if (type === "VideoObject") return "video";
  if (/^(AudioObject|PodcastEpisode|RadioEpisode|MusicRecording)$/.test(type)) return "sound";
  if (/^(ImageObject|Photograph)$/.test(type)) return "picture";
  if (/^video(\.|$)/.test(ogType ?? "")) return "video";
  if (/^music(\.|$)/.test(ogType ?? "")) return "sound";
  // Media with next to no words around it is what the page is for.
  if (player && !found.meta.has("citation_title") && countWords(found.text) < 120)
    return found.media[0]?.tag === "audio" || player.mime?.startsWith("audio/") ? "sound" : "video";
  return "page";
}

function readPlayer(found: Collected, data: LinkedData | null, base: string, one: One): Player | null {
  const make = (type: Player["type"], src: string | undefined, mime?: string): Player | null => {
    const address = resolveReference(src, base);
    return address ? { type, address, mime: mime?.toLowerCase().split(";")[0]!.trim() || null } : null;
  };
  const video = one("og:video:secure_url", "og:video", "og:video:url");
  const videoType = one("og:video:type");
  const audio = one("og:audio:secure_url", "og:audio", "og:audio:url");
  return (
    make(
      "file",
      data?.contentUrl && isMedia(data.contentUrl, data.encodingFormat) ? data.contentUrl : undefined,
      data?.encodingFormat,
    ) ??
    make("file", video && isMedia(video, videoType) ? video : undefined, videoType) ??
    make(
      "file",
      audio && isMedia(audio, one("og:audio:type")) ? audio : undefined,
      one("og:audio:type") ?? "audio/*",
    ) ??
    make(
      "file",
      found.media[0]?.src,
      found.media[0]?.mime || (found.media[0] ? `${found.media[0].tag}/*` : undefined),
    ) ??
    make("frame", data?.embedUrl, "text/html") ??
    make("frame", video && videoType?.includes("html") ? video : undefined, "text/html") ??
    make("frame", one("twitter:player"), "text/html")
  );
}

function isMedia(address: string, mime: string | undefined): boolean {
  return (
    /^(video|audio)\//.test(mime ?? "") ||
    /\.(mp4|m4v|webm|ogv|mp3|m4a|ogg|oga|opus|wav|flac)([?#]|$)/i.test(address)
  );
}

/** A page may name its own address; one on another host, or the front page for all pages, is a mistake or a trick. */
function readCanonical(
  found: Collected,
  ogUrl: string | undefined,
  base: string,
  address: string,
): string | null {
  const named = found.links.find((link) => link.rel.split(/\s+/).includes("canonical"))?.href ?? ogUrl;
  const canonical = resolveReference(named, base);
  if (!canonical) return null;
  const [own, other] = [new URL(address), new URL(canonical)];
  if (own.hostname.replace(/^(www|m)\./, "") !== other.hostname.replace(/^(www|m)\./, "")) return null;
  if (other.pathname === "/" && !other.search && own.pathname !== "/") return null;
  return canonical;
}

function language(value: string | undefined): string | null {
  const tag = value?.trim().replace("_", "-");
  return tag && /^[A-Za-z]{2,3}(-[A-Za-z0-9]{2,8})*$/.test(tag) ? tag.slice(0, 35) : null;
}

/** One line of text: blanks folded, cut at `most` characters. */
function line(value: string | undefined, most: number): string | null {
  const text = value?.replace(/\s+/g, " ").trim();
  if (!text) return null;
  return text.length <= most ? text : `${text.slice(0, most - 1).trimEnd()}…`;
}

function unique(values: (string | undefined)[]): string[] {
  return [...new Set(values.filter((value): value is string => Boolean(value)))];
}
