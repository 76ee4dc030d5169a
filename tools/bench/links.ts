import { once } from "node:events";
import http from "node:http";
import type { AddressInfo } from "node:net";
import { setFlagsFromString } from "node:v8";
import { runInNewContext } from "node:vm";
import { sql } from "drizzle-orm";
import { planOf } from "@/core/health/when";
import { dueLinks } from "@/data/queries/links";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { forgetSettings } from "@/outside/settings";
import { lookAtLinks } from "@/services/links/look-at";
import { as } from "./fill";
import { type Figure, median, timed } from "./figures";

const [LINKS, HOSTS] = [100_000, 500];
/** Each run goes on for so long, in milliseconds, and no site is asked more often than each second. */
const [RUN, PAUSE] = [20_000, 1];

/** What it takes to watch the addresses of a large catalogue, at a stand-in for five hundred sites. */
export async function* measureLinks(actor: Actor, team: string): AsyncGenerator<Figure> {
  const asked = new Map<string, number[]>();
  const server = http.createServer((request, response) => {
    const at = performance.now();
    if (request.url === "/robots.txt") return void response.writeHead(404).end();
    const host = request.headers.host!;
    asked.set(host, [...(asked.get(host) ?? []), at]);
    const etag = '"1"';
    if (request.headers["if-none-match"] === etag) return void response.writeHead(304, { etag }).end();
    response.writeHead(200, { "content-type": "text/html; charset=utf-8", etag }).end(page(request.url!));
  });
  server.listen(0, "127.0.0.1");
  await once(server, "listening");
  const { port } = server.address() as AddressInfo;
  process.env.HOBBIN_FETCH_ALLOW = `http://*.localhost:${port}`;
  process.env.HOBBIN_LINK_PAUSE = String(PAUSE);
  forgetSettings();
  try {
    yield* measureAt(actor, team, port, asked);
  } finally {
    server.closeAllConnections();
    server.close();
  }
}

async function* measureAt(actor: Actor, team: string, port: number, asked: Map<string, number[]>) {
  await watchAll(team, port);
  const due = await timesOf(5, () => dueLinks(database(), new Date(), 12_000, 20));
  yield {
    what: `Which of ${LINKS} addresses that are all due are asked next, of ${HOSTS} sites, median of 5`,
    measured: `${due.toFixed(0)} ms`,
    aim: "under 1 s",
    met: due < 1_000,
  };
  const memory = [inUse()];
  const rates = [];
  for (let run = 0; run < 4; run++) {
    // The same addresses again from the second time on: as they were.
    if (run > 0)
      await database().execute(sql`UPDATE link_watch SET next_at = ${new Date(0)} WHERE team = ${team}`);
    let count = 0;
    const took = await timed(async () => void (count = await lookAtLinks(Date.now() + RUN)));
    rates.push(count / (took / 1_000));
    memory.push(inUse());
  }
  const gaps = [...asked.values()].flatMap((times) => times.slice(1).map((at, i) => at - times[i]!));
  const nearest = Math.min(...gaps);
  yield {
    what: `Addresses asked in a second at ${asked.size} sites, one second apart each, four runs of ${RUN / 1_000} s: read and compared, then as they were; the two nearest requests to one site`,
    measured: `${rates.map((rate) => rate.toFixed(0)).join(", ")}; ${nearest.toFixed(0)} ms`,
    aim: "200; 1 s less what the way varies",
    met: Math.min(...rates) >= 200 && nearest >= PAUSE * 1_000 - 100,
  };
  yield {
    what: "Memory in use (heap and buffers, collected) before these runs and after each",
    measured: `${memory.map((bytes) => (bytes / 2 ** 20).toFixed(0)).join(", ")} MB`,
    aim: "flat: the last no more than 10 % over the second",
    met: memory.at(-1)! <= 1.1 * memory[2]!,
  };
  const read = await timesOf(5, () => as(actor, "links.read", { team }));
  const plan = planOf({ links: LINKS, hosts: HOSTS, mostOfOne: LINKS / HOSTS }, 10);
  yield {
    what: `What has become of ${LINKS} addresses, with the plan of watching them, median of 5; at ${HOSTS} sites, each asked every 10 s at the most: all are asked in ${plan.days} days, ${plan.aDay} a day, ${plan.ofOneADay} of one site`,
    measured: `${read.toFixed(0)} ms`,
    aim: "under 1 s",
    met: read < 1_000,
  };
}

/** Gives everything in a team an address at one of the sites, all of them due. */
async function watchAll(team: string, port: number): Promise<void> {
  await database().execute(sql`
    INSERT INTO link_watch (resource, team, host, next_at)
      SELECT id, team, CONCAT('h', n % ${HOSTS}, '.localhost:', ${port}), ${new Date(0)}
      FROM (SELECT id, team, ROW_NUMBER() OVER (ORDER BY id) n FROM resource WHERE team = ${team}) r`);
  await database().execute(sql`
    UPDATE resource r JOIN link_watch w ON w.resource = r.id
      SET r.host = w.host, r.address = CONCAT('http://', w.host, '/', r.id) WHERE r.team = ${team}`);
  await database().execute(sql`analyze table link_watch, resource`);
}

/** A page of about 12 KB, with words of its own. */
const page = (path: string) =>
  `<!doctype html><title>Page ${path}</title><body><article><h1>Page</h1>${Array.from({ length: 60 }, (_, i) => `<p>Well ${i} of ${path} stood at ${(i * 13) % 60} centimetres, rising, with ${i % 17} sundews beside it and a wind from the west that nobody had asked for.</p>`).join("")}</article></body>`;

/** What is in use once all that is not has been collected, in bytes: the heap, and buffers beside it. */
function inUse(): number {
  setFlagsFromString("--expose-gc");
  (runInNewContext("gc") as () => void)();
  const { heapUsed, external } = process.memoryUsage();
  return heapUsed + external;
}

async function timesOf(times: number, work: () => Promise<unknown>): Promise<number> {
  const took = [];
  for (let i = 0; i < times; i++) took.push(await timed(work));
  return median(took);
}
