import http from "node:http";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, expect, test, vi } from "vitest";
import { feed, feedEntry, job } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { forgetSettings } from "@/outside/settings";
import { bringToTrays } from "@/services/feeds/bring-to-tray";
import { planFeeds } from "@/services/feeds/plan";
import { readFeedNow } from "@/services/feeds/read-feed";
import { as, makeWorld, type World } from "./world";

type Post = { at: string; title: string; day?: string };
/** What the site answers just now, and what it was asked with. */
let answer: (request: http.IncomingMessage, response: http.ServerResponse) => void;
let asked: http.IncomingHttpHeaders[] = [];
const server = http.createServer((request, response) => {
  asked.push(request.headers);
  answer(request, response);
});
let site: string;

beforeAll(async () => {
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  site = `http://localhost:${(server.address() as { port: number }).port}`;
  vi.stubEnv("HOBBIN_FETCH_ALLOW", site);
  forgetSettings();
});
afterAll(() => {
  server.close();
  // What runs after this in the same process has the web of the ground again.
  vi.unstubAllEnvs();
  forgetSettings();
});
beforeEach(() => {
  asked = [];
});

const rss = (posts: readonly Post[], more = "") =>
  `<rss version="2.0" xmlns:atom="http://www.w3.org/2005/Atom"><channel><title>Fen diary</title><link>${site}/</link>${more}${posts
    .map(
      ({ at, title, day }) =>
        `<item><title>${title}</title><link>${site}${at}</link>${day ? `<pubDate>${new Date(day).toUTCString()}</pubDate>` : ""}</item>`,
    )
    .join("")}</channel></rss>`;
const give = (body: string, status = 200, headers: Record<string, string> = {}) => {
  answer = (_, response) =>
    void response.writeHead(status, { "content-type": "application/rss+xml", ...headers }).end(body);
};
/** The row of a feed by what it is asked for. */
const rowOf = async (address: string) =>
  (await database().select().from(feed).where(eq(feed.address, address)))[0]!;
/** Reads it as if its time had come. */
async function readNow(address: string): Promise<void> {
  const { id } = await rowOf(address);
  await database()
    .update(feed)
    .set({ nextAt: new Date(0) })
    .where(eq(feed.id, id));
  await readFeedNow(id);
}
const followed = async ({ viewer, team }: World) => as(viewer, "follows.read", { team });
const titles = async (mine: World) =>
  (await followed(mine)).news.flatMap((one) => one.items.map((item) => item.title));
const address = () => `${site}/${newId()}.xml`;
const today = () => new Date().toISOString();
/** Somebody follows it, and it has been read. */
async function following(mine: World, posts: readonly Post[]): Promise<string> {
  const what = address();
  give(rss(posts), 200, { etag: '"first"', "last-modified": "Mon, 30 Nov 2026 10:00:00 GMT" });
  await as(mine.viewer, "follows.add", { team: mine.team, kind: "feed", what });
  await readFeedNow((await rowOf(what)).id);
  return what;
}

test("what a feed has of the last two weeks is new to who follows it, then what comes; unchanged, it is only asked whether it is", async () => {
  const mine = await makeWorld();
  const posts = [
    { at: "/1", title: "Last week", day: new Date(Date.now() - 7 * 86_400_000).toISOString() },
    { at: "/0", title: "Long ago", day: "2020-01-01" },
  ];
  const what = await following(mine, posts);
  expect(await titles(mine)).toEqual(["Last week"]);
  const { follows } = await followed(mine);
  expect(follows).toMatchObject([
    { kind: "feed", what, feed: { title: "Fen diary", home: `${site}/`, problem: null } },
  ]);

  give("", 304);
  await readNow(what);
  expect(asked.at(-1)).toMatchObject({
    "if-none-match": '"first"',
    "if-modified-since": "Mon, 30 Nov 2026 10:00:00 GMT",
  });
  expect((await rowOf(what)).problem).toBeNull();
  // Other ids, other order, one more; a page that stands elsewhere now is the same page.
  give(rss([{ at: "/new", title: "Just now" }, { ...posts[0]!, at: "/moved/1" }, posts[1]!]), 200, {
    etag: '"second"',
  });
  await readNow(what);
  expect(await titles(mine)).toEqual(["Just now", "Last week"]);
  await as(mine.viewer, "follows.seen", { team: mine.team });
  expect(await titles(mine)).toEqual([]);
  // Nobody follows it any more: it is let go, with what came.
  await as(mine.viewer, "follows.remove", { team: mine.team, kind: "feed", what });
  const { id } = await rowOf(what);
  await planFeeds();
  expect(await database().select().from(feedEntry).where(eq(feedEntry.feed, id))).toEqual([]);
});

test("a feed that fails is asked ever more seldom and says why; what came stays, and it can be asked again by hand", async () => {
  const mine = await makeWorld();
  const what = await following(mine, [{ at: "/1", title: "Before", day: today() }]);
  const waits: number[] = [];
  const failing: [() => void, string][] = [
    [() => give("Busy", 503, { "retry-after": "36000" }), "site-error"],
    [() => give("<html><body>This domain is for sale</body></html>"), "no-feed"],
    [() => give("Gone", 410), "gone"],
    [() => give("x".repeat(6_000_000)), "too-large"],
    [() => (answer = (_, response) => void response.destroy()), "no-answer"],
  ];
  for (const [set, problem] of failing) {
    set();
    await readNow(what);
    const row = await rowOf(what);
    expect(row.problem).toBe(problem);
    waits.push((row.nextAt.getTime() - Date.now()) / 3_600_000);
  }
  // An hour, twice as long each time, no sooner than it asks for, a month when it is gone; up to a tenth longer.
  for (const [i, least] of [10, 2, 720, 8, 16].entries()) {
    expect(waits[i]).toBeGreaterThan(least - 0.01);
    expect(waits[i]).toBeLessThan(least * 1.1 + 0.01);
  }
  expect(await titles(mine)).toEqual(["Before"]);
  expect((await followed(mine)).follows[0]!.feed!.problem).toBe("no-answer");
  await as(mine.viewer, "follows.add", { team: mine.team, kind: "feed", what });
  give(rss([{ at: "/2", title: "Back again" }]));
  await readFeedNow((await rowOf(what)).id);
  expect((await followed(mine)).follows[0]!.feed!.problem).toBeNull();
  expect(await titles(mine)).toEqual(["Back again", "Before"]);
});

test("who wishes it has what comes in the Tray by itself, once, and what the team has already is not brought again", async () => {
  const mine = await makeWorld();
  const { team, contributor } = mine;
  const what = address();
  const posts = [{ at: `/${newId()}`, title: "There before", day: today() }];
  give(rss(posts));
  await as(contributor, "follows.add", { team, kind: "feed", what });
  await readFeedNow((await rowOf(what)).id);
  const { follows } = await as(contributor, "follows.read", { team });
  const wish = { team, follow: follows[0]!.id, on: true };
  await as(contributor, "follows.to-tray", wish);
  await expect(as(mine.owner, "follows.to-tray", wish)).rejects.toMatchObject({ kind: "not-found" });
  const known = { at: `/${newId()}`, title: "In the catalogue" };
  await as(mine.owner, "capture.address", { team, address: site + known.at });
  const fresh = [1, 2].map((n) => ({ at: `/${newId()}`, title: `Fresh ${n}` }));
  give(rss([...fresh, known, ...posts]));
  const { id } = await rowOf(what);
  await Promise.all([readNow(what), readNow(what)]);
  // It is in the queue with what came, and sent twice brings it once.
  const queued = await database()
    .select()
    .from(job)
    .where(eq(job.uniqueKey, `feeds.to-trays:${id}`));
  expect(queued).toHaveLength(1);
  await Promise.all([bringToTrays(id), bringToTrays(id)]);
  give(rss([...fresh, known, ...posts], "<!-- again -->"));
  await readNow(what);
  await bringToTrays(id);
  const waiting = await as(contributor, "tray.read", { team });
  expect(waiting.entries.map((one) => one.resource.title).sort()).toEqual(["Fresh 1", "Fresh 2"]);
});

test("more than one document holds is read back to what is known (RFC 5005), and never round in a ring", async () => {
  const mine = await makeWorld();
  const what = await following(mine, [{ at: "/a", title: "Known", day: "2026-01-01" }]);
  const pages: Record<string, string> = {
    [new URL(what).pathname]: rss(
      [{ at: "/d", title: "Newest" }],
      `<atom:link rel="next" href="${site}/2"/>`,
    ),
    "/2": rss([{ at: "/c", title: "Before it" }], `<atom:link rel="next" href="${site}/3"/>`),
    "/3": rss([{ at: "/b", title: "The first of them" }], `<atom:link rel="next" href="${what}"/>`),
  };
  answer = ({ url }, response) => void response.end(pages[url!]);
  await readNow(what);
  expect((await titles(mine)).sort()).toEqual(["Before it", "Newest", "The first of them"]);
  expect(asked.filter(({ host }) => host)).toHaveLength(4);
});

test("a feed that has moved for good is asked where it stands now; one that has moved for now is not", async () => {
  const mine = await makeWorld();
  const what = await following(mine, []);
  const to = address();
  const sending = (status: number) => {
    answer = ({ url }, response) =>
      url === new URL(what).pathname
        ? void response.writeHead(status, { location: to }).end()
        : void response.end(rss([{ at: `/${status}`, title: `By ${status}`, day: today() }]));
  };
  sending(302);
  await readNow(what);
  expect((await rowOf(what)).address).toBe(what);
  sending(308);
  await readNow(what);
  expect((await rowOf(to)).readAt).not.toBeNull();
  expect((await titles(mine)).sort()).toEqual(["By 302", "By 308"]);
  await as(mine.viewer, "follows.remove", { team: mine.team, kind: "feed", what });
  expect((await followed(mine)).follows).toEqual([]);
});

test("a page is asked for its feeds, and a list of feeds is followed and saved", async () => {
  const mine = await makeWorld();
  const { viewer, team } = mine;
  answer = ({ url }, response) =>
    url === "/feed.xml"
      ? void response.end(rss([{ at: "/1", title: "One" }]))
      : void response
          .writeHead(200, { "content-type": "text/html" })
          .end(
            '<link rel="alternate" type="application/rss+xml" href="/feed.xml"><link rel="alternate" type="application/rss+xml" href="/none">',
          );
  const found = await as(viewer, "follows.find-feeds", { address: `${site}/about` });
  expect(found.feeds).toEqual([{ address: `${site}/feed.xml`, title: "Fen diary", latest: ["One"] }]);
  const [a, b] = [address(), address()];
  const opml = `<opml version="2.0"><body><outline text="A" xmlUrl="${a}"/><outline text="Folder"><outline text="B" xmlUrl="${b}"/><outline text="None" xmlUrl="mailto:x"/></outline></body></opml>`;
  expect(await as(viewer, "follows.add-list", { team, opml })).toMatchObject({ added: 2, known: 0, left: 1 });
  expect(await as(viewer, "follows.add-list", { team, opml })).toMatchObject({ added: 0, known: 2 });
  const saved = await as(viewer, "follows.list", { team });
  expect(saved.opml).toContain(`xmlUrl="${b}"`);
  await expect(as(viewer, "follows.add-list", { team, opml: "<p>no</p>" })).rejects.toMatchObject({
    code: "not-a-list-of-feeds",
  });
});

test("what came in a feed and would fit a collection by its words is pointed out, and by which; what stands there is not", async () => {
  const mine = await makeWorld();
  const { owner, team } = mine;
  const { collection } = await as(owner, "collections.make", { team, title: "Dipwells on the raised bog" });
  const note = { team, collection: collection.id };
  await as(owner, "capture.note", {
    ...note,
    text: "How a dipwell is read, and why the water table of a bog moves",
  });
  const here = { at: `/${newId()}`, title: "Dipwells of another bog", day: today() };
  await as(owner, "capture.address", { ...note, address: site + here.at });
  const fits = {
    at: `/${newId()}`,
    title: "Reading dipwells after rain: the water table of our bog",
    day: today(),
  };
  const posts = [
    here,
    fits,
    { at: "/shop", title: "Mugs and boots are half the price this week", day: today() },
  ];
  const what = address();
  give(rss(posts));
  await as(owner, "follows.add", { team, kind: "feed", what });
  await readFeedNow((await rowOf(what)).id);
  const { items } = await as(owner, "follows.fitting", { collection: collection.id });
  expect(items).toMatchObject([{ title: fits.title, feedTitle: "Fen diary" }]);
  expect(items[0]!.by.length).toBeGreaterThan(1);
  // To somebody else of the team, who follows nothing, nothing is pointed out.
  expect((await as(mine.viewer, "follows.fitting", { collection: collection.id })).items).toEqual([]);
});
