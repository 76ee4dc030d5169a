import { MOST_ENTRIES, type FeedDocument } from "@/core/feeds/entries";
import { newOf } from "@/core/feeds/new-of";
import type { FeedProblem } from "@/core/feeds/problem";
import { freshFor, nextAsked, retryAfter, usualWait } from "@/core/feeds/when";
import { keptHead } from "@/core/text/kept-head";
import type { Tx } from "@/data/database";
import {
  addEntries,
  entriesOf,
  type FeedRow,
  findFeed,
  lockFeed,
  setAsked,
  setFeed,
} from "@/data/queries/feeds";
import { addJobs } from "@/data/queries/jobs";
import { changingByItself, database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { addressHash, sha256 } from "@/outside/hash";
import { signal } from "@/outside/signals";
import { askFeed, readAnswer } from "./ask";
import { trayJob } from "./jobs";

/** Of a feed in several documents (RFC 5005) so many are read back to what is known. */
const BACK = 4;

type Answer = Awaited<ReturnType<typeof askFeed>>;

/** Reads a feed whose time has come, and has what came brought to the Trays of those who want it there. */
export async function readFeedNow(id: string): Promise<void> {
  const row = await findFeed(database(), id);
  if (!row || row.nextAt > now()) return;
  const answer = await askFeed(row.address, row.readAt ? row : undefined);
  const at = now();
  const isNew = answer.ok && answer.status !== 304 && sha256(answer.body) !== row.digest;
  const document = isNew ? await readAnswer(answer, at) : null;
  const problem = problemOf(answer, isNew, document);
  // Most have nothing new, and cost no more than this.
  if (!document) return setAsked(database(), row, asked(row, answer, problem, at));
  await addOlder(row, document, at);
  await changingByItself(async (tx) => {
    const locked = await lockFeed(tx, id);
    // Somebody else asked meanwhile, or nobody follows it any more.
    if (locked?.nextAt.getTime() === row.nextAt.getTime()) await store(tx, locked, { answer, document, at });
  });
  signal("jobs");
}

function problemOf(answer: Answer, isNew: boolean, document: FeedDocument | null): FeedProblem | null {
  if (!answer.ok) return answer.status === 410 ? "gone" : answer.problem;
  return isNew && !document ? "no-feed" : null;
}

/** More may have come than stands in one document: then nothing in it is known. */
async function addOlder(row: FeedRow, document: FeedDocument, at: Date): Promise<void> {
  if (!row.readAt || !document.older) return;
  const known = await entriesOf(database(), row.id);
  const seen = new Set([row.address]);
  let older: string | null = document.older;
  for (let n = 0; n < BACK && older && !seen.has(older); n++) {
    if (newOf(hashed(document), known).length < document.entries.length) return;
    if (document.entries.length >= MOST_ENTRIES) return;
    seen.add(older);
    const answer = await askFeed(older);
    const next: FeedDocument | null = answer.ok ? await readAnswer(answer, at) : null;
    if (!next) return;
    document.entries.push(...next.entries);
    older = next.older;
  }
}

const hashed = ({ entries }: FeedDocument) =>
  entries.map((one) => ({ ...one, hash: addressHash(one.address) }));

type Outcome = { answer: Answer; document: FeedDocument; at: Date };

async function store(tx: Tx, row: FeedRow, { answer, document, at }: Outcome): Promise<void> {
  const known = await entriesOf(tx, row.id);
  const came = newOf(hashed(document), known).map((one) => ({
    ...{ feed: row.id, hash: one.hash, address: one.address, title: one.title, about: one.about },
    ...{ published: one.published, cameAt: row.readAt ? at : (one.published ?? at) },
  }));
  if (came.length) {
    await addEntries(tx, row.id, came);
    await addJobs(tx, [trayJob(row.id, at)]);
  }
  const usual = usualWait([...came, ...known].map((one) => one.published ?? one.cameAt));
  await setFeed(tx, row.id, {
    ...(answer.ok && taken(row, document, answer)),
    ...asked({ ...row, usual }, answer, null, at, document.every),
    usual,
  });
}

/** What is known by an answer but what came: how it was, and when it is asked next. */
function asked(
  row: FeedRow,
  answer: Answer,
  problem: FeedProblem | null,
  at: Date,
  every: number | null = null,
) {
  const failures = problem ? row.failures + 1 : 0;
  const headers = answer.headers ?? {};
  return {
    ...(!problem && { readAt: at }),
    ...{ problem, failures },
    nextAt: nextAsked({
      ...{ at, failures, isGone: problem === "gone", usual: row.usual },
      apart: parseInt(row.id.slice(-4), 16) / 0xffff,
      fresh: problem
        ? retryAfter(headers["retry-after"], at)
        : Math.max(freshFor(headers) ?? 0, (every ?? 0) * 60_000),
    }),
  };
}

/** What a whole answer is known by, and what it says of itself. */
const taken = (row: FeedRow, { title, home }: FeedDocument, answer: Answer & { ok: true }) => ({
  title: title || row.title,
  home: home.length <= 2_000 ? home : "",
  etag: keptHead(answer.headers.etag, 500),
  modified: keptHead(answer.headers["last-modified"], 100),
  digest: sha256(answer.body),
  // Only what answered as a feed may say where it is asked for from now on.
  ...(answer.moved && answer.moved.length <= 2_000 && { address: answer.moved }),
});
