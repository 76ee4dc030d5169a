import type { PageFacts } from "@/core/page/facts";
import { withOembed } from "@/core/page/oembed";
import { kindOfFile, readFile } from "@/core/page/read-file";
import { readPage } from "@/core/page/read-page";
import { findResource } from "@/data/queries/resources";
import { decodePage } from "@/outside/fetch/decode";
import { type Fetched, fetchGuarded } from "@/outside/fetch/fetch-guarded";
import { keepFile } from "@/outside/files";
import { makeThumbnail } from "@/outside/pictures";
import { settings } from "@/outside/settings";
import { database } from "@/services/action";
import { type Filling, fillResource } from "@/services/capture/fill-resource";
import type { JobKind } from "./kinds";

/** Reads the page of a resource and fills in what it says of itself. */
export const fetchResource: JobKind = {
  run: async ({ resource }) => {
    const row = await findResource(database(), String(resource));
    if (row && !row.deletedAt) await fillResource(row.id, await read(row.address));
  },
  givenUp: async ({ resource }) => fillResource(String(resource), { ok: false, problem: "internal" }),
};

async function read(address: string): Promise<Filling> {
  const allow = settings().fetchAllow;
  const fetched = await fetchGuarded(address, { asked: true, allow });
  if (!fetched.ok) {
    // Media are often larger than a page may be; the ending of the address tells their kind.
    const media = fetched.problem === "too-large" ? byEnding(fetched.address) : null;
    return media ? { ok: true, facts: media, finalAddress: fetched.address, picture: null } : fetched;
  }
  const mime = mimeOf(fetched);
  if (/^(text\/html|application\/xhtml\+xml)$/.test(mime) || (!mime && looksLikeHtml(fetched.body))) {
    const page = readPage(decodePage(fetched.body, fetched.headers["content-type"]), fetched.address);
    const facts = page.oembed ? await addOembed(page, page.oembed, allow) : page;
    return {
      ok: true,
      facts,
      finalAddress: fetched.address,
      picture: await firstPicture(facts.pictures, allow),
    };
  }
  const kind = kindOfFile(mime);
  if (!kind) return { ok: false, problem: "not-a-page" };
  const facts = readFile(kind, fetched.address, mime, fetched.headers["content-disposition"] ?? null);
  const picture = kind === "picture" ? await keepPicture(fetched.body) : null;
  return { ok: true, facts, finalAddress: fetched.address, picture };
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

async function addOembed(facts: PageFacts, address: string, allow: string): Promise<PageFacts> {
  const answer = await fetchGuarded(address, {
    asked: false,
    allow,
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
async function firstPicture(addresses: readonly string[], allow: string) {
  for (const address of addresses.slice(0, 3)) {
    const fetched = await fetchGuarded(address, { asked: false, allow, accept: "image/*" });
    const picture = fetched.ok ? await keepPicture(fetched.body) : null;
    if (picture) return picture;
  }
  return null;
}

async function keepPicture(body: Buffer): Promise<{ hash: string; bytes: number } | null> {
  const thumbnail = await makeThumbnail(body);
  return thumbnail ? { hash: await keepFile(thumbnail), bytes: thumbnail.length } : null;
}

const mimeOf = (fetched: Fetched & { ok: true }) =>
  (fetched.headers["content-type"] ?? "").split(";")[0]!.trim().toLowerCase();
const looksLikeHtml = (body: Buffer) =>
  /<(!doctype html|html|head|title)\b/i.test(body.subarray(0, 1024).toString("latin1"));
