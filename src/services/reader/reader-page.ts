import type { ReaderView } from "@/core/publish/model";
import { html } from "@/core/publish/html";
import { cardOf } from "@/core/publish/reader-course";
import type { ReaderPlaces } from "@/core/publish/reader-places";
import { readerDocument } from "@/core/publish/reader-document";
import { shortCodesOf } from "@/data/queries/sharing";
import { isAway, within } from "@/data/transaction";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { sha256 } from "@/outside/hash";
import { addressOfHobbin } from "../accounts/address";
import { readPublished } from "./read";
import { shownBehind } from "./shown-behind";

export type ReaderPage = {
  etag: string;
  /** Not compressed: the server in front does that, and lets nobody else say so. */
  bytes: Uint8Array<ArrayBuffer>;
  noindex: boolean;
  /** The same as long as nothing changes that is shown under its code, here or in another part. */
  stamp: string;
  /** Which other sites may set it into their pages. */
  framedBy: string;
  /** The picture for links to it, to be drawn. */
  card: string;
  /** Pictures the page shows; nobody else's are given out under its code. */
  pictures: Set<string>;
  /** Items that are files. */
  files: Set<string>;
};
/** `away`: the same page with a line that says since when it could not be renewed. */
type Cached = {
  away?: ReaderPage;
  /** What it was made from; see `shownBehind`. */
  stamp: string;
  page: ReaderPage;
  madeAt: number;
};

const cached = new Map<string, Cached>();
const making = new Map<string, Promise<ReaderPage | null>>();
const MOST = 400;
/** What is behind a code is looked at this often, so a change shows within it in every process. */
const CHECK = 500;

type Behind = Awaited<ReturnType<typeof shownBehind>>;
/** What each code leads to, as it was looked at last: all pages under it go by one look. */
const looked = new Map<string, { behind: Behind; at: number }>();
const looking = new Map<string, Promise<Behind>>();

function freshlyLooked(code: string): { behind: Behind } | undefined {
  const last = looked.get(code);
  return last && Date.now() - last.at < CHECK ? last : undefined;
}

/** What is behind a code, as it was within the last half second. */
function look(code: string): Promise<Behind> {
  const fresh = freshlyLooked(code);
  if (fresh) return Promise.resolve(fresh.behind);
  let work = looking.get(code);
  if (!work) {
    const at = Date.now();
    work = within(PATIENCE, shownBehind(database(), code, now()))
      .then((behind) => {
        looked.delete(code);
        if (looked.size >= MOST) looked.delete(looked.keys().next().value!);
        // What is shared this moment is there at once for who asked a moment too early.
        if (behind) looked.set(code, { behind, at });
        return behind;
      })
      .finally(() => looking.delete(code));
    looking.set(code, work);
  }
  return work;
}
/** The name of the team is not among what it is compared with; it is made anew this often. */
const REMADE_AFTER = 60_000;

/** Which page is asked for: of the collection with this code, or of a part of it, in its own view or another. */
export type Asked = { code: string; part?: string | null; view?: ReaderView | null };
const keyOf = ({ code, part, view }: Asked): string => `${code} ${part ?? ""} ${view ?? ""}`;

/** The same page without waiting, if it was looked at just now; undefined when it has to be waited for. */
export function readerPageNow(asked: Asked): ReaderPage | undefined {
  const known = cached.get(keyOf(asked));
  const behind = known && freshlyLooked(asked.code)?.behind;
  const holds = behind?.stamp === known?.stamp && (!asked.part || behind?.parts.has(asked.part));
  return behind && holds && Date.now() - known.madeAt < REMADE_AFTER ? known.page : undefined;
}

/** The reader's page that is asked for, as bytes ready to send; null when nothing is shared there. */
export function readerPage(asked: Asked): Promise<ReaderPage | null> {
  const atHand = readerPageNow(asked);
  if (atHand) return Promise.resolve(atHand);
  const key = keyOf(asked);
  let work = making.get(key);
  if (!work) {
    work = check(key, asked, cached.get(key)).finally(() => making.delete(key));
    making.set(key, work);
  }
  return work;
}

/** So long a reader waits for the database, in milliseconds. */
const PATIENCE = 2_000;
/** While it is away, readers see their page as it was, but no longer than this: it may not be shared any more. */
const AWAY_FOR = 5 * 60_000;

/** The page with a line that says that it may have changed since. */
function asItWas(page: ReaderPage): ReaderPage {
  const text = new TextDecoder().decode(page.bytes);
  const line = html`<p class="facts away" role="status">This page is as it was a moment ago; it cannot be renewed just now.</p>`;
  const bytes = new TextEncoder().encode(text.replace(/<main[^>]*>/, (main) => main + line.text));
  return { ...page, bytes, etag: `${page.etag.slice(0, -1)}-away"` };
}

async function check(key: string, asked: Asked, known: Cached | undefined): Promise<ReaderPage | null> {
  const { code, part = null, view } = asked;
  const at = Date.now();
  let shown: Behind;
  try {
    shown = await look(code);
  } catch (error) {
    if (known && isAway(error) && at - (looked.get(code)?.at ?? 0) < AWAY_FOR)
      return (known.away ??= asItWas(known.page));
    throw error;
  }
  if (!shown || (part !== null && !shown.parts.has(part))) {
    cached.delete(key);
    return null;
  }
  if (known && known.stamp === shown.stamp && at - known.madeAt < REMADE_AFTER) {
    known.away = undefined;
    return known.page;
  }
  const { collection } = await readPublished.call(
    { person: null, share: code },
    { collection: part ?? shown.root },
  );
  const text = readerDocument(collection, view ?? collection.view, placesOf(asked));
  const page: ReaderPage = {
    etag: `"${sha256(text).slice(0, 20)}"`,
    bytes: new TextEncoder().encode(text),
    noindex: collection.audience !== "public",
    stamp: shown.stamp,
    framedBy: collection.framedBy,
    card: cardOf(collection),
    files: new Set(
      collection.sections.flatMap((section) => section.items.flatMap((item) => (item.file ? item.id : []))),
    ),
    pictures: new Set([
      ...(collection.cover ? [collection.cover] : []),
      ...collection.sections.flatMap((section) => section.items.flatMap((item) => item.picture ?? [])),
    ]),
  };
  if (cached.size >= MOST) cached.delete(cached.keys().next().value!);
  cached.delete(key);
  cached.set(key, { stamp: shown.stamp, page, madeAt: at });
  return page;
}

/** Where everything of a page is found by its readers. */
function placesOf({ code, part }: Asked): ReaderPlaces {
  const self = part ? `/c/${code}/in/${part}` : `/c/${code}`;
  return {
    self,
    site: addressOfHobbin(),
    picture: (hash) => `${self}/p/${hash}`,
    file: (item) => `${self}/f/${item.id}`,
    copy: (item) => `${self}/t/${item.id}`,
    fonts: "/fonts",
    door: (door) => `/c/${door.code ?? code}${door.part ? `/in/${door.part}` : ""}`,
  };
}

/** What is shared under a code, for other documents of it that are made when asked for. */
export async function publishedBehind(asked: Asked, at: Date) {
  const shown = await shownBehind(database(), asked.code, at);
  if (!shown || (asked.part && !shown.parts.has(asked.part))) return null;
  const id = asked.part ?? shown.root;
  const { collection } = await readPublished.call({ person: null, share: asked.code }, { collection: id });
  const short = (await shortCodesOf(database(), [id], at)).get(id)?.code ?? null;
  return { collection, places: placesOf(asked), short };
}

/** Of a course so many collections are read for one answer. */
const MOST_PARTS = 200;

/**
 * A collection that is shared under a code, or a part of it, and after it everything inside that readers are shown, the
 * first 200 of it.
 */
export async function allBehind(asked: Asked, at: Date) {
  const shown = await shownBehind(database(), asked.code, at);
  const top = asked.part ?? shown?.root;
  if (!shown || !top || (asked.part && !shown.parts.has(asked.part))) return null;
  const all = [];
  for (const id of [top, ...shown.below(top)].slice(0, MOST_PARTS)) {
    const { collection } = await readPublished.call({ person: null, share: asked.code }, { collection: id });
    all.push({ collection, places: placesOf({ ...asked, part: id === shown.root ? null : id }) });
  }
  return all;
}
