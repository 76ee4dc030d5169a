import type { ReaderView } from "@/core/publish/model";
import { withInside, itemsIn, type EditionFile } from "@/core/editions/content";
import { withdrawnDocument } from "@/core/publish/editions-document";
import { html } from "@/core/publish/html";
import { cardOf } from "@/core/publish/reader-course";
import { readerDocument } from "@/core/publish/reader-document";
import { isAway } from "@/data/transaction";
import { sha256 } from "@/outside/hash";
import { database } from "@/mechanism/changing";
import { contentForReaders } from "../editions/content-for-readers";
import { readBehind } from "./behind";
import { freshlyLooked, look, lookedAt } from "./look";
import { type AskedPart, placesOf } from "./places";
import { saidOfEditions } from "./said-of-editions";
import { type Behind, type BehindEdition, editionAsked } from "./shown-behind";

export type ReaderPage = {
  /** 410: what stood there was withdrawn, which is what the page says. */
  status: 200 | 410;
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
  /** Items that are files; with the file, where it is that of an edition. */
  files: Map<string, EditionFile | null>;
  /** Captions of its items, by their ids. */
  captions: Map<string, string>;
  /** Whether it shows an edition, and not what stands there now. */
  isEdition: boolean;
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
/** The name of the team is not among what it is compared with; it is made anew this often. */
const REMADE_AFTER = 60_000;

/** Which page is asked for, in its own view or another. */
export type Asked = AskedPart & { view?: ReaderView | null };
const keyOf = ({ code, part, edition, view }: Asked): string =>
  `${code} ${part ?? ""} ${edition ?? ""} ${view ?? ""}`;

/** The same page without waiting, if it was looked at just now; undefined when it has to be waited for. */
export function readerPageNow(asked: Asked): ReaderPage | undefined {
  const known = cached.get(keyOf(asked));
  const behind = known && freshlyLooked(asked.code)?.behind;
  const isPart = !asked.part || known?.page.isEdition || behind?.parts.has(asked.part);
  const holds = behind?.stamp === known?.stamp && isPart;
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

/** While it is away, readers see their page as it was, but no longer than this: it may not be shared any more. */
const AWAY_FOR = 5 * 60_000;

/** So long a reader waits whose page is known as it was a moment ago, in milliseconds; who has none waits as long as it takes. */
const PATIENCE = 2_000;

/** The page with a line that says that it may have changed since. */
function asItWas(page: ReaderPage): ReaderPage {
  const text = new TextDecoder().decode(page.bytes);
  const line = html`<p class="facts away" role="status">This page is as it was a moment ago; it cannot be renewed just now.</p>`;
  const bytes = new TextEncoder().encode(text.replace(/<main[^>]*>/, (main) => main + line.text));
  return { ...page, bytes, etag: `${page.etag.slice(0, -1)}-away"` };
}

async function check(key: string, asked: Asked, known: Cached | undefined): Promise<ReaderPage | null> {
  const { code, part = null } = asked;
  const at = Date.now();
  let shown: Behind | null;
  try {
    shown = await look(code, known && PATIENCE);
  } catch (error) {
    if (known && isAway(error) && at - lookedAt(code) < AWAY_FOR) return (known.away ??= asItWas(known.page));
    throw error;
  }
  const edition = shown && editionAsked(shown, asked.edition ?? null);
  const isGone = edition === "living" && part !== null && !shown!.parts.has(part);
  if (!shown || !edition || isGone) {
    cached.delete(key);
    return null;
  }
  if (known && known.stamp === shown.stamp && at - known.madeAt < REMADE_AFTER) {
    known.away = undefined;
    return known.page;
  }
  const page =
    edition !== "living" && edition.withdrawnAt
      ? withdrawnPage(asked, shown, edition, edition.withdrawnAt)
      : await makePage(asked, shown, edition === "living" ? null : edition);
  if (!page) {
    cached.delete(key);
    return null;
  }
  if (cached.size >= MOST) cached.delete(cached.keys().next().value!);
  cached.delete(key);
  cached.set(key, { stamp: shown.stamp, page, madeAt: at });
  return page;
}

const bytesOf = (text: string) => ({
  etag: `"${sha256(text).slice(0, 20)}"`,
  bytes: new TextEncoder().encode(text),
});

/** @returns null when what is asked for stands in no such edition */
async function makePage(
  asked: Asked,
  behind: Behind,
  edition: BehindEdition | null,
): Promise<ReaderPage | null> {
  const { code, part = null, view } = asked;
  const collection = await readBehind(code, { behind, edition }, part);
  if (!collection) return null;
  const places = placesOf(asked);
  const text = readerDocument(
    collection,
    view ?? collection.view,
    places,
    saidOfEditions(code, behind, edition, part),
  );
  const items = collection.sections.flatMap((section) => section.items);
  const kept = new Map(
    edition
      ? withInside((await contentForReaders(database(), behind.team, edition.digest)).collection).flatMap(
          (one) => itemsIn(one).map(({ id, file }) => [id, file] as const),
        )
      : [],
  );
  return {
    status: 200,
    ...bytesOf(text),
    // Search engines find what stands there now.
    noindex: collection.audience !== "public" || Boolean(asked.edition),
    stamp: behind.stamp,
    framedBy: collection.framedBy,
    card: cardOf(collection),
    files: new Map(items.flatMap((item) => (item.file ? [[item.id, kept.get(item.id) ?? null]] : []))),
    captions: new Map(items.flatMap((item) => (item.captions ? [[item.id, item.captions]] : []))),
    pictures: new Set([
      ...(collection.cover ? [collection.cover] : []),
      ...items.flatMap((item) => item.picture ?? []),
    ]),
    isEdition: edition !== null,
  };
}

/** A dated line where an edition was. */
function withdrawnPage(
  asked: Asked,
  behind: Behind,
  { number, createdAt }: BehindEdition,
  withdrawnAt: Date,
): ReaderPage {
  const text = withdrawnDocument({ number, at: createdAt, withdrawnAt }, `/c/${asked.code}`, "/fonts");
  return {
    status: 410,
    ...bytesOf(text),
    ...{ noindex: true, stamp: behind.stamp, framedBy: "", card: "", isEdition: true },
    ...{ files: new Map(), pictures: new Set(), captions: new Map() },
  };
}
