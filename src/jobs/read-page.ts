import type { PageFacts } from "@/core/page/facts";
import { withOembed } from "@/core/page/oembed";
import { kindOfFile, readFile } from "@/core/page/file-facts";
import { type Fetched, fetchGuarded, type Reach } from "@/outside/fetch/fetch-guarded";
import { storeFile, readStored } from "@/outside/files";
import { makeThumbnail } from "@/outside/pictures";
import { settings } from "@/outside/settings";
import { copyInThread, factsInThread, TooSlow } from "@/outside/threads/in-thread";
import type { Filling, Picture } from "@/services/resources/fill";
import { readDocument } from "@/outside/documents/read-document";
import { keptInside } from "./kept-picture";

/** Where pages and pictures may be fetched. */
export const reach = (): Reach => ({ allow: settings().fetchAllow, ports: settings().fetchPorts });

/** Fetches an address and reads what is there: a page, or a file. */
export async function readAddressOf(address: string): Promise<Filling> {
  const fetched = await fetchGuarded(address, { asked: true, ...reach() });
  if (!fetched.ok) {
    // Media are often larger than a page may be; the ending of the address tells their kind.
    const media = fetched.problem === "too-large" ? byEnding(fetched.address) : null;
    return media
      ? {
          ok: true,
          facts: media,
          finalAddress: fetched.address,
          picture: null,
          copy: null,
          origin: "fetched",
        }
      : fetched;
  }
  const mime = mimeOf(fetched);
  if (/^(text\/html|application\/xhtml\+xml)$/.test(mime) || (!mime && looksLikeHtml(fetched.body)))
    return readHtml(fetched.body, fetched.headers["content-type"] ?? "", fetched.address, "fetched");
  const kind = kindOfFile(mime);
  if (!kind) return { ok: false, problem: "not-a-page" };
  const facts = readFile(kind, fetched.address, mime, fetched.headers["content-disposition"] ?? null);
  if (kind === "picture")
    return {
      ok: true,
      facts,
      finalAddress: fetched.address,
      picture: await storePicture(fetched.body),
      copy: null,
      origin: "fetched",
    };
  const { copy: document, slow } = await unlessSlow(() =>
    readDocument(fetched.body, facts.title ?? "").catch((error: unknown) => {
      if (error instanceof TooSlow) throw error;
      return null;
    }),
  );
  return {
    ok: true,
    lacks: slow ? "slow" : document?.lacks,
    facts: {
      ...facts,
      // What it says of itself comes before what its file is called.
      title: document?.title ?? facts.title,
      authors: document?.authors ?? facts.authors,
      language: document?.language ?? facts.language,
      words: document?.words ?? facts.words,
      pages: document?.pages ?? facts.pages,
      seconds: document?.seconds ?? facts.seconds,
    },
    finalAddress: fetched.address,
    picture: document?.picture ? await storePicture(document.picture) : null,
    copy: document?.copy ? { ...document.copy, kept: await keptInside(document.inside) } : null,
    origin: "fetched",
  };
}

/**
 * Reads the HTML somebody's browser showed, as it was sent along.
 * @param hash of the stored page
 * @param address where it was seen
 */
export async function readSeen(hash: string, address: string): Promise<Filling> {
  const body = await readStored(hash);
  if (!body) return { ok: false, problem: "internal" };
  return readHtml(body, "text/html; charset=utf-8", address, "seen");
}

async function readHtml(
  body: Buffer,
  contentType: string,
  address: string,
  origin: "fetched" | "seen",
): Promise<Filling> {
  const page = await factsInThread({ body, contentType, address });
  const facts = page.oembed ? await addOembed(page, page.oembed) : page;
  const { copy, slow } = await unlessSlow(() => copyInThread({ body, contentType, address }));
  return {
    ok: true,
    lacks: slow ? "slow" : null,
    facts,
    finalAddress: address,
    picture: await firstPicture(facts.pictures),
    copy,
    origin,
  };
}

/** What took too long is told from what is not there: it is tried again. */
export async function unlessSlow<T>(
  read: () => Promise<T | null>,
): Promise<{ copy: T | null; slow: boolean }> {
  try {
    return { copy: await read(), slow: false };
  } catch (error) {
    if (error instanceof TooSlow) return { copy: null, slow: true };
    throw error;
  }
}

/** So often what took too long is tried. */
const SLOW_TRIES = 3;

/**
 * What was read is written down; what took too long is tried again, a few times.
 * @throws when it is to be tried again
 */
export function mustBeInTime(filling: Filling, attempt = 1): void {
  if (filling.ok && filling.lacks === "slow" && attempt < SLOW_TRIES)
    throw new Error("its text took too long to take out");
}

/** What the name of a file tells that is too large to fetch. */
function byEnding(address: string): PageFacts | null {
  const ending = /\.(mp4|m4v|webm|ogv|mp3|m4a|ogg|oga|opus|wav|flac|pdf)$/i
    .exec(new URL(address).pathname)?.[1]
    ?.toLowerCase();
  if (!ending) return null;
  const mime =
    ending === "pdf"
      ? "application/pdf"
      : /^(mp3|m4a|ogg|oga|opus|wav|flac)$/.test(ending)
        ? `audio/${ending}`
        : `video/${ending}`;
  return readFile(kindOfFile(mime)!, address, mime, null);
}

async function addOembed(facts: PageFacts, address: string): Promise<PageFacts> {
  const answer = await fetchGuarded(address, {
    asked: false,
    ...reach(),
    accept: "application/json",
    limits: { bytes: 200_000 },
  });
  if (!answer.ok) return facts;
  try {
    return withOembed(facts, JSON.parse(answer.body.toString("utf8")), answer.address);
  } catch {
    return facts;
  }
}

/** The first of the page's pictures that can be fetched and shown; three tries. */
async function firstPicture(addresses: readonly string[]): Promise<Picture | null> {
  for (const address of addresses.slice(0, 3)) {
    const picture = await fetchPicture(address);
    if (picture) return picture;
  }
  return null;
}

/** Fetches one picture and keeps it, small and clean. */
export async function fetchPicture(address: string): Promise<Picture | null> {
  const fetched = await fetchGuarded(address, { asked: false, ...reach(), accept: "image/*" });
  return fetched.ok ? storePicture(fetched.body) : null;
}

async function storePicture(body: Buffer): Promise<Picture | null> {
  const thumbnail = await makeThumbnail(body);
  return thumbnail ? { hash: await storeFile(thumbnail), bytes: thumbnail.length } : null;
}

const mimeOf = (fetched: Fetched & { ok: true }) =>
  (fetched.headers["content-type"] ?? "").split(";")[0]!.trim().toLowerCase();
const looksLikeHtml = (body: Buffer) =>
  /<(!doctype html|html|head|title)\b/i.test(body.subarray(0, 1024).toString("latin1"));
