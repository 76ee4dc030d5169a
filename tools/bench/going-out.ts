import autocannon from "autocannon";
import type { Actor } from "@/mechanism/actor";
import { as, fillCollection } from "./fill";
import { type Figure, median } from "./figures";

/** Readers at once, and for how many seconds. */
const [READERS, SECONDS] = [500, 60];

const until = async (holds: () => Promise<boolean>) => {
  while (!(await holds())) await new Promise((resolve) => setTimeout(resolve, 20));
};

/** What a course of thirty collections costs that is read by many: changes seen above, links' pictures, feeds, a crowd. */
export async function* measureGoingOut(
  actor: Actor,
  team: string,
  resources: string[],
  base: string,
  second: string,
): AsyncGenerator<Figure> {
  const course = await fillCollection(actor, team, "Course", resources.slice(0, 20));
  const parts = [];
  for (let i = 0; i < 29; i++) {
    const title = `Week ${i + 1}`;
    const id = await fillCollection(actor, team, title, resources.slice(20 + i * 34, 20 + (i + 1) * 34));
    await as(actor, "collections.move", { collection: id, parent: course });
    parts.push(id);
  }
  const { code } = await as(actor, "share.set", { collection: course, audience: "public", reach: "all" });
  const own = `/c/${code}`;
  const pages = [own, ...parts.map((id) => `${own}/in/${id}`)];

  const pictures: number[] = [];
  for (const page of pages.slice(0, 10)) {
    await fetch(base + page);
    const from = performance.now();
    const answer = await fetch(`${base}${page}/card.png`);
    await answer.arrayBuffer();
    if (answer.ok) pictures.push(performance.now() - from);
  }
  yield {
    what: "The picture of a link to a collection, the first time, median of 10",
    measured: `${median(pictures).toFixed(0)} ms`,
    aim: "under 150 ms",
    met: pictures.length === 10 && median(pictures) < 150,
  };

  const delays: number[] = [];
  const shows = (words: string) => async (address: string) =>
    until(async () => (await (await fetch(address)).text()).includes(words));
  for (let i = 0; i < 6; i++) {
    // The title of the last part stands on the page of the course; on those beside it only as the next one.
    const title = `Week 29, for the ${i}th time`;
    await as(actor, "collections.edit", { collection: parts[28]!, title });
    const from = performance.now();
    const seen = [own, pages.at(-1)!, pages.at(-2)!].flatMap((page) => [base + page, second + page]);
    await Promise.all(seen.map(shows(title)));
    delays.push(performance.now() - from);
  }
  yield {
    what: "A change deep in a course of 30 collections, until all pages that name it show it, in both processes, slowest of 6",
    measured: `${Math.max(...delays).toFixed(0)} ms`,
    aim: "under 1 s",
    met: Math.max(...delays) < 1_000,
  };

  const feed = `${base}${own}/feed.atom`;
  const first = await fetch(feed);
  const etag = first.headers.get("etag")!;
  const same: number[] = [];
  for (let i = 0; i < 60; i++) {
    const from = performance.now();
    const answer = await fetch(feed, { headers: { "if-none-match": etag } });
    await answer.arrayBuffer();
    if (answer.status === 304) same.push(performance.now() - from);
  }
  yield {
    what: "A feed of 1,000 entries that has not changed, asked for again: 304, median of 60",
    measured: `${median(same).toFixed(1)} ms`,
    aim: "under 5 ms",
    met: same.length === 60 && median(same) < 5,
  };

  const crowd = await autocannon({
    url: base + own,
    connections: READERS,
    duration: SECONDS,
    headers: { "accept-encoding": "gzip" },
    requests: pages.map((path) => ({ path })),
    // A reader looks at a page for some seconds; a crowd that asks without a pause is no crowd of readers.
    overallRate: READERS,
  });
  yield {
    what: `${READERS} readers of that course at once for ${SECONDS} s, each asking for a page every second: p99; errors`,
    measured: `${crowd.latency.p99} ms; ${crowd.errors + crowd.non2xx} of ${crowd.requests.total}`,
    aim: "under 500 ms, none",
    met: crowd.latency.p99 < 500 && crowd.errors + crowd.non2xx === 0,
  };
}
