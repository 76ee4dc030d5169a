import type { ReaderView } from "@/core/publish/model";
import { html } from "@/core/publish/html";
import { readerDocument } from "@/core/publish/reader-document";
import { byShareCode } from "@/data/queries/collections";
import { isAway, within } from "@/data/transaction";
import { database } from "@/mechanism/changing";
import { sha256 } from "@/outside/hash";
import { readPublished } from "./read";

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
type Cached = { away?: ReaderPage } & {
  version: number;
  audience: string;
  page: ReaderPage;
  madeAt: number;
  checkedAt: number;
};

const cached = new Map<string, Cached>();
const making = new Map<string, Promise<ReaderPage | null>>();
const MOST = 400;
/** A cached page is compared with the collection's version this often, so a change shows within it in every process. */
const CHECK = 500;
/** What a page says about collections inside it is not counted in its version; it is made anew this often. */
const REMADE_AFTER = 60_000;

/** The same page without waiting, if it was looked at just now; undefined when it has to be waited for. */
export function readerPageNow(code: string, view: ReaderView | null): ReaderPage | undefined {
  const known = cached.get(`${code} ${view ?? ""}`);
  return known && Date.now() - known.checkedAt < CHECK ? known.page : undefined;
}

/**
 * The reader's page behind a share code, as bytes ready to send; null when nothing is shared under it.
 * @param code the share code in the address
 * @param view the one asked for, or null for the collection's own
 */
export function readerPage(code: string, view: ReaderView | null): Promise<ReaderPage | null> {
  const key = `${code} ${view ?? ""}`;
  const known = cached.get(key);
  if (known && Date.now() - known.checkedAt < CHECK) return Promise.resolve(known.page);
  let work = making.get(key);
  if (!work) {
    work = check(key, code, view, known).finally(() => making.delete(key));
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

async function check(
  key: string,
  code: string,
  view: ReaderView | null,
  known: Cached | undefined,
): Promise<ReaderPage | null> {
  const asked = Date.now();
  let found: Awaited<ReturnType<typeof byShareCode>>;
  try {
    found = await within(PATIENCE, byShareCode(database(), code));
  } catch (error) {
    if (known && isAway(error) && asked - known.checkedAt < AWAY_FOR)
      return (known.away ??= asItWas(known.page));
    throw error;
  }
  if (!found || found.audience === "team") {
    cached.delete(key);
    return null;
  }
  if (
    known &&
    known.version === found.version &&
    known.audience === found.audience &&
    asked - known.madeAt < REMADE_AFTER
  ) {
    known.checkedAt = asked;
    known.away = undefined;
    return known.page;
  }
  const { collection } = await readPublished.call({ person: null, share: code }, { collection: found.id });
  const self = `/c/${code}`;
  const text = readerDocument(collection, view ?? collection.view, {
    self,
    picture: (hash) => `${self}/p/${hash}`,
    file: (item) => `${self}/f/${item.id}`,
    fonts: "/fonts",
    collection: (other) => `/c/${other}`,
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
  cached.set(key, {
    version: found.version,
    audience: found.audience,
    page,
    madeAt: asked,
    checkedAt: asked,
  });
  return page;
}
