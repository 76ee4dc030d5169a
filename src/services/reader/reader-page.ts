import type { ReaderView } from "@/core/publish/model";
import { html } from "@/core/publish/html";
import { readerDocument } from "@/core/publish/reader-document";
import { isAway, within } from "@/data/transaction";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { sha256 } from "@/outside/hash";
import { readPublished } from "./read";
import { shownBehind } from "./shown-behind";

export type ReaderPage = {
  etag: string;
  /** Not compressed: the server in front does that, and lets nobody else say so. */
  bytes: Uint8Array<ArrayBuffer>;
  noindex: boolean;
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
  checkedAt: number;
};

const cached = new Map<string, Cached>();
const making = new Map<string, Promise<ReaderPage | null>>();
const MOST = 400;
/** A cached page is compared with what it was made from this often, so a change shows within it in every process. */
const CHECK = 500;
/** The name of the team is not among what it is compared with; it is made anew this often. */
const REMADE_AFTER = 60_000;

/** Which page is asked for: of the collection with this code, or of a part of it, in its own view or another. */
export type Asked = { code: string; part?: string | null; view?: ReaderView | null };
const keyOf = ({ code, part, view }: Asked): string => `${code} ${part ?? ""} ${view ?? ""}`;

/** The same page without waiting, if it was looked at just now; undefined when it has to be waited for. */
export function readerPageNow(asked: Asked): ReaderPage | undefined {
  const known = cached.get(keyOf(asked));
  return known && Date.now() - known.checkedAt < CHECK ? known.page : undefined;
}

/** The reader's page that is asked for, as bytes ready to send; null when nothing is shared there. */
export function readerPage(asked: Asked): Promise<ReaderPage | null> {
  const key = keyOf(asked);
  const known = cached.get(key);
  if (known && Date.now() - known.checkedAt < CHECK) return Promise.resolve(known.page);
  let work = making.get(key);
  if (!work) {
    work = check(key, asked, known).finally(() => making.delete(key));
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
  let shown: Awaited<ReturnType<typeof shownBehind>>;
  try {
    shown = await within(PATIENCE, shownBehind(database(), code, now()));
  } catch (error) {
    if (known && isAway(error) && at - known.checkedAt < AWAY_FOR)
      return (known.away ??= asItWas(known.page));
    throw error;
  }
  if (!shown || (part !== null && !shown.parts.has(part))) {
    cached.delete(key);
    return null;
  }
  if (known && known.stamp === shown.stamp && at - known.madeAt < REMADE_AFTER) {
    known.checkedAt = at;
    known.away = undefined;
    return known.page;
  }
  const { collection } = await readPublished.call(
    { person: null, share: code },
    { collection: part ?? shown.root },
  );
  const own = part ? `/c/${code}/in/${part}` : `/c/${code}`;
  const text = readerDocument(collection, view ?? collection.view, {
    self: own,
    picture: (hash) => `${own}/p/${hash}`,
    file: (item) => `${own}/f/${item.id}`,
    fonts: "/fonts",
    door: (door) => `/c/${door.code ?? code}${door.part ? `/in/${door.part}` : ""}`,
  });
  const page: ReaderPage = {
    etag: `"${sha256(text).slice(0, 20)}"`,
    bytes: new TextEncoder().encode(text),
    noindex: collection.audience !== "public",
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
  cached.set(key, { stamp: shown.stamp, page, madeAt: at, checkedAt: at });
  return page;
}
