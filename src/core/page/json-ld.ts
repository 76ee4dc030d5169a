/** What the rules take from schema.org descriptions in JSON-LD. */
export type LinkedData = {
  type: string;
  name?: string;
  description?: string;
  authors: string[];
  publisher?: string;
  published?: string;
  images: string[];
  duration?: string;
  contentUrl?: string;
  embedUrl?: string;
  encodingFormat?: string;
  language?: string;
  licence?: string;
};

/** Types that say what a page is about, the most telling first. Others (menus, sites, organisations) are passed over. */
const TELLING = [
  "VideoObject",
  "AudioObject",
  "PodcastEpisode",
  "RadioEpisode",
  "MusicRecording",
  "ImageObject",
  "Photograph",
  "ScholarlyArticle",
  "MedicalScholarlyArticle",
  "Report",
  "NewsArticle",
  "BlogPosting",
  "TechArticle",
  "Article",
  "LearningResource",
  "Course",
  "Book",
  "Chapter",
  "Thesis",
  "Dataset",
  "DigitalDocument",
  "CreativeWork",
  "WebPage",
];

/**
 * Finds the description of the page's own matter among its JSON-LD blocks. A broken block is passed over; the
 * others still count.
 * @param blocks the texts of a page's script elements, each meant to be JSON
 */
export function readJsonLd(blocks: readonly string[]): LinkedData | null {
  const nodes = blocks.flatMap((block) => {
    try {
      return flatten(JSON.parse(block.replace(/^\s*<!--|-->\s*$/g, "")), 0);
    } catch {
      return [];
    }
  });
  let best: { rank: number; type: string; node: Node } | null = null;
  for (const node of nodes) {
    for (const type of strings(node["@type"]).map((t) => t.replace(/^.*[/#:]/, ""))) {
      const rank = TELLING.indexOf(type);
      if (rank >= 0 && (!best || rank < best.rank)) best = { rank, type, node };
    }
  }
  if (!best) return null;
  const { node, type } = best;
  return {
    type,
    name: text(node.headline) ?? text(node.name),
    description: text(node.description) ?? text(node.abstract),
    authors: names(node.author ?? node.creator),
    publisher: names(node.publisher)[0] ?? names(node.isPartOf)[0],
    published: text(node.datePublished) ?? text(node.uploadDate) ?? text(node.dateCreated),
    images: [...addresses(node.thumbnailUrl), ...addresses(node.image)],
    duration: text(node.duration) ?? text(node.timeRequired),
    contentUrl: addresses(node.contentUrl)[0] ?? addresses(node.associatedMedia)[0],
    embedUrl: addresses(node.embedUrl)[0],
    encodingFormat: text(node.encodingFormat),
    language: text(node.inLanguage),
    licence: addresses(node.license)[0] ?? text(node.license),
  };
}

type Node = Record<string, unknown>;

/** All nodes of a block: a single one, a list, or a graph; the thing a WebPage is about counts too. */
function flatten(value: unknown, depth: number): Node[] {
  if (depth > 4 || value === null || typeof value !== "object") return [];
  if (Array.isArray(value)) return value.flatMap((item) => flatten(item, depth + 1));
  const node = value as Node;
  return [
    node,
    ...flatten(node["@graph"], depth + 1),
    ...flatten(node.mainEntity, depth + 1),
    ...flatten(node.video, depth + 1),
  ];
}

const list = (value: unknown): unknown[] => (Array.isArray(value) ? value : value == null ? [] : [value]);
const strings = (value: unknown): string[] => list(value).filter((v): v is string => typeof v === "string");

function text(value: unknown): string | undefined {
  const first = list(value)[0];
  if (typeof first === "string" || typeof first === "number") return String(first).trim() || undefined;
  if (first && typeof first === "object") return text((first as Node)["@value"] ?? (first as Node).name);
  return undefined;
}

function names(value: unknown): string[] {
  return list(value)
    .map((item) => (item && typeof item === "object" ? personName(item as Node) : text(item)))
    .filter((name): name is string => Boolean(name) && !/^https?:/.test(name!));
}

function personName(node: Node): string | undefined {
  return (
    text(node.name) ?? ([text(node.givenName), text(node.familyName)].filter(Boolean).join(" ") || undefined)
  );
}

function addresses(value: unknown): string[] {
  return list(value).flatMap((item) => {
    if (typeof item === "string") return [item];
    if (item && typeof item === "object")
      return strings((item as Node).url ?? (item as Node).contentUrl ?? (item as Node)["@id"]);
    return [];
  });
}
