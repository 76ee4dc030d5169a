import { mayHandOn } from "../licence/known";
import type { Weighed } from "../appraise/weighed";
import type { Kind } from "../page/facts";
import type { Look } from "../list/view-setting";

/** An item as somebody looks it over before it goes out. */
export type Looked = {
  /** Of its placement. */
  id: string;
  collection: string;
  look: Look;
  heading: string;
  context: string;
  resource: {
    id: string;
    kind: Kind;
    title: string;
    description: string;
    address: string;
    minutes: number | null;
    /** The name of the file it is. */
    file: string | null;
    /** By its id; empty: nobody knows. */
    licence: string;
    fetchState: "waiting" | "done" | "failed";
    usedAt: Date | string | null;
    duplicateOf: string | null;
  };
  /** How hard its text is to read; null or left out: that is not known. */
  lix?: number | null;
  /** How far it is judged, where anything in the collection is; "no": by nobody. */
  weighed?: Weighed["is"] | "no";
  /** What has become of its page, where that is told: it is there no more, or otherwise than it was. */
  became?: "lost" | "other";
  /** Of an entry of a portfolio, and of what is shown live: whether everybody can open the collection it leads to. */
  leadsTo?: "public" | "closed";
};

/** What a careful colleague notices; in the order in which it matters. */
export const FINDINGS = [
  "dead",
  "lost",
  "astray",
  "private",
  "waiting",
  "closed",
  "too-long",
  "too-hard",
  "twice",
  "bare",
  "no-context",
  "no-alternative",
  "file",
  "unread",
  "in-dispute",
  "judged-before",
  "unjudged",
] as const;
export type FindingKind = (typeof FINDINGS)[number];

export type Finding = {
  kind: FindingKind;
  /** The collection it is found in. */
  collection: string;
  /** The placement it is about, or null where it is about the collection. */
  placement: string | null;
  resource: string | null;
  title: string;
};

type Whole = {
  items: readonly Looked[];
  /** Collections that stand inside and readers are not shown. */
  closed: readonly { id: string; title: string }[];
  /** The collection itself, with how many minutes it should not take longer than, and how hard its texts should be at most. */
  collection: { id: string; title: string; aimMinutes: number | null; aimLevel: number | null };
  /** How long it takes. */
  minutes: number;
};

const BARE = /^(https?:\/\/\S+|www\.\S+|[\w-]+(\.[\w-]+)+\/\S*)$/i;

/**
 * What a careful colleague would notice before something goes out. Nothing of it stands in the way.
 * @param whole everything readers would be shown, in order
 * @param isOpen whether somebody outside can open this address
 */
export function lookOver(
  { items, closed, collection, minutes }: Whole,
  isOpen: (address: string) => boolean,
): Finding[] {
  const found: Finding[] = [];
  const seen = new Set<string>();
  for (const item of items) {
    const { resource } = item;
    const note = (kind: FindingKind) =>
      found.push({
        kind,
        collection: item.collection,
        placement: item.id,
        resource: resource.id,
        title: item.heading || resource.title,
      });
    // Text between the items has no address, and nothing of it goes wrong.
    if (item.look === "text") continue;
    const isLink = resource.address !== "" && resource.file === null && !item.leadsTo;
    if (item.leadsTo === "closed") note("closed");
    if (collection.aimLevel !== null && (item.lix ?? 0) > collection.aimLevel) note("too-hard");
    // What has become of it says more than that it could not be read.
    if (resource.fetchState === "failed" && !item.became) note("dead");
    if (isLink && item.became) note(item.became === "lost" ? "lost" : "astray");
    if (resource.fetchState === "waiting") note("waiting");
    if (isLink && !isOpen(resource.address)) note("private");
    if (seen.has(resource.id) || (resource.duplicateOf && seen.has(resource.duplicateOf))) note("twice");
    if (BARE.test((item.heading || resource.title).trim())) note("bare");
    if (!item.context.trim() && resource.kind !== "note") note("no-context");
    if (resource.kind === "picture" && !resource.description.trim()) note("no-alternative");
    if (resource.file !== null && mayHandOn(resource.licence) !== "yes") note("file");
    if (isLink && resource.usedAt === null && resource.fetchState === "done") note("unread");
    if (item.weighed === "in dispute") note("in-dispute");
    if (item.weighed === "old") note("judged-before");
    if (item.weighed === "no" && resource.kind !== "note") note("unjudged");
    seen.add(resource.id);
    if (resource.duplicateOf) seen.add(resource.duplicateOf);
  }
  for (const { id, title } of closed)
    found.push({ kind: "closed", collection: id, placement: null, resource: null, title });
  if (collection.aimMinutes !== null && minutes > collection.aimMinutes)
    found.push({
      kind: "too-long",
      collection: collection.id,
      placement: null,
      resource: null,
      title: collection.title,
    });
  const order = new Map(FINDINGS.map((kind, i) => [kind, i]));
  return found.sort((a, b) => order.get(a.kind)! - order.get(b.kind)!);
}

/**
 * Whether an address leads out into the open, as far as it shows by itself: not into a private network, not to a name that
 * only means something inside one.
 * @param isPublic whether an IP address is one of the open internet
 */
export function leadsOut(address: string, isPublic: (ip: string) => boolean): boolean {
  let url: URL;
  try {
    url = new URL(address);
  } catch {
    return false;
  }
  if (url.protocol !== "http:" && url.protocol !== "https:") return false;
  const host = url.hostname.replace(/\.$/, "");
  if (/^\[|^[\d.]+$/.test(host)) return isPublic(host);
  // Names for use inside: RFC 6761 (localhost, test, invalid), RFC 6762 (local), RFC 8375 (home.arpa), ICANN (internal).
  return (
    host.includes(".") && !/\.(localhost|local|internal|intranet|lan|home\.arpa|invalid|test)$/.test(host)
  );
}
