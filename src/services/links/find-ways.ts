import { isSameTitle, likelyElsewhere, sitemapsOfRobots } from "@/core/health/elsewhere";
import { mementoOf } from "@/core/health/memento";
import type { Way } from "@/core/health/ways";
import { feedsInPage } from "@/core/feeds/in-page";
import { readSignature, resemblance } from "@/core/text/min-hash";
import { findWatch, setFound } from "@/data/queries/links";
import { changingByItself, database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import type { Fetched } from "@/outside/fetch/fetch-guarded";
import { copyInThread, factsInThread, sitemapInThread } from "@/outside/threads/in-thread";
import { readAnswer, textOf } from "../feeds/ask";
import { askArchive, askLink } from "./ask";
import { inTurn } from "./turn";

/** So long it is looked for one page, in milliseconds. */
const RUN = 90_000;
/** So many sitemaps of a site are read, and so many addresses are asked that may be it. */
const [SITEMAPS, ASKED] = [3, 4];
/** From here on a page is the one whose copy is kept, whatever it is called now. */
const ITSELF = 0.5;

type Wanted = { address: string; title: string; copy: string | null };
type Ask = (address: string) => Promise<(Fetched & { ok: true }) | null>;

/** Looks where a page may stand now, and keeps what was found for whoever mends it. */
export async function findWays(id: string): Promise<void> {
  const row = await findWatch(database(), id);
  if (!row) return;
  const until = Date.now() + RUN;
  const ask: Ask = async (address) => {
    const answer = await inTurn(new URL(address).host, until, () => askLink(address));
    return answer?.ok ? answer : null;
  };
  const [onSite, kept] = await Promise.all([onItsSite(row, ask), inArchive(row.address, row.createdAt)]);
  await changingByItself(async (tx, begin) => {
    const changes = begin({ team: row.watch.team, person: null });
    await setFound(tx, id, { ways: [...onSite, ...kept], soughtAt: now() });
    changes.emit({ verb: "links.sought", subject: id });
  });
}

/** What an archive kept of it, nearest to when it was brought in. */
async function inArchive(address: string, at: Date): Promise<Way[]> {
  const answer = await askArchive(address, at);
  const found = answer?.ok ? mementoOf(address, answer) : null;
  return found ? [{ way: "archive", address: found.address, at: found.at.toISOString() }] : [];
}

/** Pages of its site that are it by their title or their text. */
async function onItsSite(wanted: Wanted, ask: Ask): Promise<Way[]> {
  const { origin } = new URL(wanted.address);
  const front = await ask(`${origin}/`);
  // Where its front page is now, the site is.
  const home = front ? new URL(front.address).origin : origin;
  const [told, listed] = [
    front ? await toldInFeed(wanted, front, ask) : [],
    await listedPages(wanted, home, ask),
  ];
  const found: Way[] = [];
  for (const address of [...new Set([...told, ...listed])].slice(0, ASKED)) {
    const page = await ask(address);
    const title = page && (await titleIfItself(wanted, page));
    if (title && page.address !== wanted.address && !found.some((one) => one.address === page.address))
      found.push({ way: "title", address: page.address, title });
  }
  return found;
}

/** Addresses a site's own feed gives to pages of that title. */
async function toldInFeed({ title, address }: Wanted, front: Fetched & { ok: true }, ask: Ask) {
  const [feed] = feedsInPage(textOf(front), front.address);
  const answer = feed && (await ask(feed.address));
  const document = answer ? await readAnswer(answer, now()) : null;
  return (document?.entries ?? [])
    .filter((one) => one.address !== address && isSameTitle(one.title, title))
    .map((one) => one.address);
}

/** What may be it of all that a site's sitemaps name: of those its robots.txt names, or of the usual one. */
async function listedPages(wanted: Wanted, origin: string, ask: Ask): Promise<string[]> {
  const robots = await ask(`${origin}/robots.txt`);
  const named = robots ? sitemapsOfRobots(textOf(robots)) : [];
  const waiting = named.length ? named : [`${origin}/sitemap.xml`];
  const likely: string[] = [];
  for (let i = 0; i < Math.min(SITEMAPS, waiting.length); i++) {
    const answer = await ask(waiting[i]!);
    const { address, title } = wanted;
    const task = answer && {
      ...{ body: answer.body, contentType: answer.headers["content-type"] ?? "" },
      ...{ wanted: { address, title }, most: ASKED },
    };
    const read = task && (await sitemapInThread(task).catch(() => null));
    if (!read) continue;
    likely.push(...read.likely);
    waiting.push(...read.more);
  }
  return likelyElsewhere(wanted, likely, ASKED);
}

/** The title of a page, if it is the one that is looked for: called the same, or with much the same text. */
async function titleIfItself({ title, copy }: Wanted, page: Fetched & { ok: true }): Promise<string | null> {
  const task = {
    ...{ body: page.body, contentType: page.headers["content-type"] ?? "", address: page.address },
  };
  if (!/html/i.test(task.contentType)) return null;
  const facts = await factsInThread(task).catch(() => null);
  if (facts?.title && isSameTitle(facts.title, title)) return facts.title;
  const kept = readSignature(copy ?? "");
  const read = kept && (await copyInThread(task).catch(() => null));
  const is = read ? readSignature(read.signature) : null;
  return kept && is && resemblance(kept, is) >= ITSELF ? facts?.title || title : null;
}
