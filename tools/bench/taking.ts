import { type ChildProcess, spawn } from "node:child_process";
import { nextAsked, usualWait } from "@/core/feeds/when";
import { feed, follow } from "@/data/schema";
import { inParts } from "@/data/sql/by-keys";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { forgetSettings } from "@/outside/settings";
import { planFeeds } from "@/services/feeds/plan";
import { readFeedNow } from "@/services/feeds/read-feed";
import { followHash } from "@/services/follows/follow-hash";
import { as, fillCollection } from "./fill";
import { type Figure, median, timed } from "./figures";

const ITEMS = 200;
const FEEDS = 5_000;
const READ = 1_000;
const AT_ONCE = 4;

/** A site all whose feeds are as they were, in a process of its own: what it computes is not counted. */
const UNCHANGED = `const http = require("node:http");
const server = http.createServer((_, response) => response.writeHead(304).end());
server.listen(0, "127.0.0.1", () => console.log(server.address().port));`;

/** What it costs to take what others made public, and to follow what stands elsewhere. */
export async function* measureTaking(
  actor: Actor,
  team: string,
  resources: readonly string[],
): AsyncGenerator<Figure> {
  yield await copying(actor, team, resources);
  yield* feeds(actor, team);
}

async function copying(actor: Actor, team: string, resources: readonly string[]): Promise<Figure> {
  const lent = await fillCollection(actor, team, "Two hundred", resources.slice(0, ITEMS));
  await as(actor, "share.set", { collection: lent, audience: "public" });
  const took: number[] = [];
  for (let n = 0; n < 7; n++) {
    const borrower = (await as(actor, "teams.make", { name: `Borrower ${n}` })).team.id;
    const wish = { collection: lent, team: borrower, copy: newId() };
    took.push(await timed(() => as(actor, "shelves.borrow", wish)));
  }
  const ms = median(took.slice(2));
  return {
    what: `Copying a public collection of ${ITEMS} items with credit into a team that has none of them, median of 5`,
    measured: `${ms.toFixed(0)} ms`,
    aim: "under 1,000 ms",
    met: ms < 1_000,
  };
}

async function* feeds(actor: Actor, team: string): AsyncGenerator<Figure> {
  const { site, port } = await unchanged();
  process.env.HOBBIN_FETCH_ALLOW = `${process.env.HOBBIN_FETCH_ALLOW ?? ""} http://localhost:${port}`;
  forgetSettings();
  try {
    const at = new Date();
    const rows = Array.from({ length: FEEDS }, (_, n) => {
      const address = `http://localhost:${port}/${n}.xml`;
      return { id: newId(), address, hash: followHash("feed", address) };
    });
    const before = new Date(at.getTime() - 60_000);
    await inParts(rows, async (part) => {
      await database()
        .insert(feed)
        .values(
          part.map((one) => ({
            ...one,
            title: "A feed",
            etag: '"as-it-was"',
            readAt: before,
            nextAt: before,
          })),
        );
      await database()
        .insert(follow)
        .values(
          part.map(({ address, hash }) => ({
            ...{ id: newId(), team, person: actor.person!.id, kind: "feed" as const, what: address },
            ...{ name: "A feed", hash, seenAt: at, createdAt: at },
          })),
        );
    });
    const plan = await timed(() => planFeeds());
    yield {
      what: `Looking which of ${FEEDS.toLocaleString("en")} followed feeds are due, all of them being so, and putting 1,000 in the queue`,
      measured: `${plan.toFixed(0)} ms`,
      aim: "under 1,000 ms, every five minutes (own)",
      met: plan < 1_000,
    };
    // As in a process that has been asking for a while: others of them first.
    await askAll(rows.slice(READ, 2 * READ));
    const start = process.cpuUsage();
    const all = await timed(() => askAll(rows.slice(0, READ)));
    const { user, system } = process.cpuUsage(start);
    const each = (user + system) / 1_000 / READ;
    // At the most once an hour each, as it is asked.
    const busy = (FEEDS * all) / READ / (nextAsked(ONCE).getTime() - ONCE.at.getTime());
    yield {
      what: `Asking a followed feed that is as it was (304), ${READ.toLocaleString("en")} of them behind as many others, ${AT_ONCE} at a time: processor each; of an hour, ${FEEDS.toLocaleString("en")} asked hourly`,
      measured: `${each.toFixed(2)} ms; ${(busy * 100).toFixed(1)} %`,
      aim: "under 2 ms of processor",
      met: each < 2,
    };
  } finally {
    site.kill();
  }
}

async function askAll(feeds: readonly { id: string }[]): Promise<void> {
  const queue = feeds.map(({ id }) => id);
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      for (let id = queue.pop(); id; id = queue.pop()) await readFeedNow(id);
    }),
  );
}

/** A feed in which something comes all the time. */
const ONCE = { at: new Date(0), failures: 0, usual: usualWait([new Date(0), new Date(0)]), apart: 0 };

function unchanged(): Promise<{ site: ChildProcess; port: number }> {
  const site = spawn(process.execPath, ["-e", UNCHANGED], { stdio: ["ignore", "pipe", "inherit"] });
  return new Promise((resolve) =>
    site.stdout.once("data", (said: Buffer) => resolve({ site, port: Number(String(said)) })),
  );
}
