import { readAddress } from "@/core/address/read-address";
import { type Likeness, type LinkState, linkState } from "@/core/health/link-state";
import { likenessOf, type Words } from "@/core/health/likeness";
import { BAD_DAYS, isTold, nextLooked } from "@/core/health/when";
import { retryAfter } from "@/core/feeds/when";
import { keptHead } from "@/core/text/kept-head";
import { readSignature, resemblance } from "@/core/text/min-hash";
import { dueLinks, findWatch, putOffWatch, setWatch, type WatchRow } from "@/data/queries/links";
import { collectionsHolding } from "@/data/queries/resources";
import { changingByItself, database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { addressHash } from "@/outside/hash";
import type { Fetched } from "@/outside/fetch/fetch-guarded";
import { copyInThread } from "@/outside/threads/in-thread";
import { askLink, nothingAt, wordsOf } from "./ask";
import { seekJob } from "./seek";
import { forgetTurns, inTurn, turnsUntil } from "./turn";

/** So long one run goes on, in milliseconds; what is left is for the next. */
const RUN = 45_000;
/** So many addresses are looked through for one run, of one site, and so many are asked at once. */
const [MOST, MOST_OF_ONE, AT_ONCE] = [12_000, 200, 100];
/** So long nothing is asked that is in the bin, in milliseconds. */
const PUT_OFF = 14 * 86_400_000;
/** From here on a page is the one it was, whatever little is new on it, and is not looked at more closely. */
const STILL_ITSELF = 0.5;

/**
 * Asks what is due, and no site sooner than is set: of each site one after the other, so that nobody waits for a site while
 * another one is free.
 * @returns how many were asked
 */
export async function lookAtLinks(until = Date.now() + RUN): Promise<number> {
  forgetTurns();
  const due = await dueLinks(database(), now(), MOST, Math.min(turnsUntil(until), MOST_OF_ONE));
  let [next, count] = [0, 0];
  const work = async () => {
    while (next < due.length && Date.now() < until) {
      const { host, resource } = due[next++]!;
      // One whose site has no turn left comes again in the next run.
      if (await inTurn(host, until, () => lookAtLink(resource).then(() => true))) count++;
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  return count;
}

/** Asks one address, and notes what became of it. */
export async function lookAtLink(id: string): Promise<void> {
  const row = await findWatch(database(), id);
  // What comes out of the bin again is asked then.
  if (!row) return putOffWatch(database(), id, new Date(now().getTime() + PUT_OFF));
  const { watch, address, hash, canonical } = row;
  // What somebody typed, or saw in a browser, was never what the site gives to those who ask.
  const copy = row.origin === "fetched" ? row.copy : null;
  const answer = await askLink(address, watch.state === "ok" ? watch : undefined);
  const words = answer.ok && answer.status !== 304 ? await wordsOf(answer) : null;
  const likeness =
    answer.ok && words ? await likenessTo(watch, copy, answer, words) : { copy: null, nothing: null };
  // Where it led when it was brought in is no news: to the catalogue both are one page.
  const isOwn = answer.ok && [hash, canonical].includes(addressHash(plainAddress(answer.address)));
  const state = linkState(
    address,
    answer.ok ? { ...answer, moved: isOwn ? null : answer.moved, same: answer.status === 304 } : answer,
    likeness,
  );
  const set = after(watch, state, answer, words);
  if (isTold(watch) === isTold({ ...watch, ...set })) return setWatch(database(), watch, set);
  // Whoever looks at the list sees it at once, and readers are given the copy, or the page again.
  await changingByItself(async (tx, begin) => {
    const changes = begin({ team: watch.team, person: null });
    await changes.count(await collectionsHolding(tx, [id]));
    await setWatch(tx, watch, set);
    changes.emit({ verb: "links.found", subject: id });
    // By the time somebody comes to mend it, there are ways.
    if (isTold({ ...watch, ...set }) && state !== "moved")
      changes.enqueue(seekJob(id, watch.team, changes.at));
  });
}

/** What a page resembles: it is looked at more closely only when it is not what it was. */
async function likenessTo(
  watch: WatchRow,
  copy: string | null,
  answer: Fetched & { ok: true },
  words: Words,
): Promise<Likeness> {
  const [before, is] = [readSignature(watch.signature), readSignature(words.signature)];
  if (before && is && resemblance(before, is) >= STILL_ITSELF) return { copy: null, nothing: null };
  const kept = readSignature(copy ?? "");
  // A page that was never seen with words of its own may be made in the browser: to us it always was what the site shows for nothing.
  if (!before && !kept) return { copy: null, nothing: null };
  const nothing = await nothingAt(new URL(answer.address).origin);
  const read =
    kept &&
    (await copyInThread({
      ...{ body: answer.body, contentType: answer.headers["content-type"] ?? "", address: answer.address },
    }).catch(() => null));
  const now = read ? readSignature(read.signature) : null;
  return {
    // A page that gives no text any more has nothing in common with the one that did.
    copy: kept ? (now ? resemblance(kept, now) : 0) : null,
    nothing: nothing && likenessOf(words, nothing),
  };
}

/** What is known of it now, and when it is asked again. */
function after(watch: WatchRow, state: LinkState, answer: Fetched, words: Words | null): Partial<WatchRow> {
  const at = now();
  const isSame = watch.state === state && watch.times > 0;
  // A site that says it is gone for good is believed at once (RFC 9110, 15.5.11).
  const certain = !answer.ok && answer.status === 410 ? BAD_DAYS : 1;
  const times = Math.max(certain, isSame ? Math.min(watch.times + 1, 1_000) : 1);
  const headers = answer.headers ?? {};
  return {
    ...{ askedAt: at, state, times, since: isSame ? watch.since : at },
    movedTo: answer.ok && (state === "moved" || state === "front") ? answer.address.slice(0, 4_000) : "",
    ...(answer.ok &&
      answer.status !== 304 && {
        etag: keptHead(headers.etag, 500),
        modified: keptHead(headers["last-modified"], 100),
        ...((state === "ok" || state === "moved") && { signature: words?.signature ?? "" }),
      }),
    nextAt: nextLooked({
      ...{ at, state, times, apart: parseInt(watch.resource.slice(-4), 16) / 0xffff },
      wait: retryAfter(headers["retry-after"], at),
    }),
  };
}

/** An address as the catalogue has it, without what says where one came from. */
function plainAddress(address: string): string {
  const read = readAddress(address);
  return read.ok ? read.address : address;
}
