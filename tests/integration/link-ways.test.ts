import { once } from "node:events";
import http from "node:http";
import type { AddressInfo } from "node:net";
import { gzipSync } from "node:zlib";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, expect, test } from "vitest";
import { job, linkWatch, resource, resourceText } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { forgetSettings } from "@/outside/settings";
import { findWays } from "@/services/links/find-ways";
import { lookAtLink } from "@/services/links/look-at";
import { lookInside } from "@/services/links/look-inside";
import { as, makeWorld } from "./world";

type Said = { status?: number; headers?: Record<string, string>; body?: string | Buffer };
/** What stands at each path of the server; nothing else does. */
const pages = new Map<string, Said>();
const asked: { path: string; asOf: string | undefined }[] = [];
let origin = "";

const server = http.createServer((request, response) => {
  const path = request.url!;
  asked.push({ path, asOf: request.headers["accept-datetime"] as string | undefined });
  const {
    status = 404,
    headers = {},
    body = "",
  }: Said = pages.has(path) ? { status: 200, ...pages.get(path) } : {};
  response.writeHead(status, { "content-type": "text/html; charset=utf-8", ...headers }).end(body);
});

const NAMES = ["HOBBIN_FETCH_ALLOW", "HOBBIN_LINK_PAUSE", "HOBBIN_MEMENTO"] as const;
const before = NAMES.map((name) => process.env[name]);
beforeAll(async () => {
  server.listen(0, "127.0.0.1");
  await once(server, "listening");
  origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  process.env.HOBBIN_FETCH_ALLOW = `${process.env.HOBBIN_FETCH_ALLOW ?? ""} ${origin}`.trim();
  process.env.HOBBIN_LINK_PAUSE = "0";
  process.env.HOBBIN_MEMENTO = `${origin}/timegate/`;
  forgetSettings();
});
afterAll(() => {
  NAMES.forEach((name, i) =>
    before[i] === undefined ? delete process.env[name] : (process.env[name] = before[i]),
  );
  forgetSettings();
  server.closeAllConnections();
  server.close();
});

const prose = (word: string) =>
  Array.from({ length: 150 }, (_, i) => `${word}${i} grows by ${word}${i * 7} in ${word}${i * 3}.`).join(" ");
const html = (title: string, text: string) =>
  `<!doctype html><title>${title}</title><body><article><h1>${title}</h1><p>${text}</p></article></body>`;

type World = Awaited<ReturnType<typeof makeWorld>>;

/** Something that stands in a collection and leads to a path of the server, watched, and read once as it would have been. */
async function watched(world: World, path: string, title: string, copy?: string) {
  const { editor, team, collection } = world;
  const placement = newId();
  const wish = { team, collection, address: origin + path, placement };
  const { resource: made } = await as(editor, "capture.address", wish);
  if (copy) await as(editor, "resources.paste-text", { resource: made.id, text: copy });
  await database().update(resourceText).set({ origin: "fetched" }).where(eq(resourceText.resource, made.id));
  await database().update(resource).set({ fetchState: "done", title }).where(eq(resource.id, made.id));
  await database()
    .insert(linkWatch)
    .values({ resource: made.id, team, host: new URL(origin).host, nextAt: new Date(0) });
  return { id: made.id, placement };
}
const leadsTo = async ({ editor, collection }: World, placement: string) =>
  (await as(editor, "collections.items", { collection })).items.find((item) => item.id === placement)!
    .resource.address;

test("a page that is gone is found by its title in a packed sitemap, by its text under another name, and in an archive as it was when it was brought in", async () => {
  const world = await makeWorld();
  const { editor, team } = world;
  const list = (paths: string[]) =>
    `<urlset>${paths.map((path) => `<url><loc>${origin}${path}</loc></url>`).join("")}</urlset>`;
  pages.set("/", { body: "<title>Front</title>" });
  pages.set("/robots.txt", {
    headers: { "content-type": "text/plain" },
    body: `User-agent: *\nDisallow: /private\nSitemap: ${origin}/all.xml`,
  });
  pages.set("/all.xml", {
    body: `<sitemapindex><sitemap><loc>${origin}/part.xml.gz</loc></sitemap></sitemapindex>`,
  });
  pages.set("/part.xml.gz", {
    headers: { "content-type": "application/gzip" },
    body: gzipSync(
      list(["/topics/how-peat-grows", "/private/how-peat-grows", "/how-peat", "/peat/grows-how"]),
    ),
  });
  pages.set("/topics/how-peat-grows", { body: html("How peat grows | The site", prose("other")) });
  pages.set("/how-peat", { body: html("How peat is sold", prose("sold")) });
  pages.set("/peat/grows-how", { body: html("Peat, and its growing", prose("peat")) });
  const old = `${origin}/2019/how-peat-grows`;
  pages.set(`/timegate/${old}`, {
    status: 302,
    headers: { location: `/web/2019/${old}`, link: `<${old}>; rel="original"` },
  });
  pages.set(`/web/2019/${old}`, {
    headers: { "memento-datetime": "Tue, 07 May 2019 08:00:00 GMT", link: `<${old}>; rel="original"` },
    body: "as it was",
  });
  const { id, placement } = await watched(world, "/2019/how-peat-grows", "How peat grows", prose("peat"));
  const [row] = await database().select().from(resource).where(eq(resource.id, id));
  asked.length = 0;
  await findWays(id);
  const { ways, soughtAt, copy } = await as(editor, "links.ways", { resource: id });
  expect(ways).toEqual([
    {
      way: "title",
      address: `${origin}/topics/how-peat-grows`,
      title: expect.stringContaining("How peat grows"),
    },
    { way: "title", address: `${origin}/peat/grows-how`, title: "Peat, and its growing" },
    { way: "archive", address: `${origin}/web/2019/${old}`, at: "2019-05-07T08:00:00.000Z" },
  ]);
  expect([soughtAt !== null, copy]).toEqual([true, { places: 1, given: 0 }]);
  // What robots.txt keeps programs from is not asked; the archive is asked for what was brought in.
  expect(asked.some(({ path }) => path.startsWith("/private"))).toBe(false);
  expect(asked.find(({ path }) => path.startsWith("/timegate"))!.asOf).toBe(row!.createdAt.toUTCString());
  // One press each, and back.
  const given = await as(editor, "links.give-copy", { resource: id, gives: true });
  expect((await as(editor, "links.ways", { resource: id })).copy).toEqual({ places: 1, given: 1 });
  await as(editor, "history.undo", { team, entry: given.entry });
  const { entry } = await as(editor, "links.mend", { resource: id, address: ways[2]!.address });
  expect(await leadsTo(world, placement)).toBe(ways[2]!.address);
  await as(editor, "history.undo", { team, entry });
  expect(await leadsTo(world, placement)).toBe(old);
});

test("what serves the same outcomes is offered in its place, the one that serves most of them first, and takes it in one step", async () => {
  const world = await makeWorld();
  const { editor, team } = world;
  const lost = await watched(world, "/lost", "Lost");
  const [one, both] = [
    await watched(world, "/one", "Serves one"),
    await watched(world, "/both", "Serves both"),
  ];
  const text = "Reads a core\nDraws a curve";
  const { outcomes } = await as(editor, "outcomes.add", { team, text });
  for (const [outcome, placements] of [
    [outcomes[0]!, [lost.placement, one.placement, both.placement]],
    [outcomes[1]!, [lost.placement, both.placement]],
  ] as const)
    for (const placement of placements)
      await as(editor, "outcomes.serve", { outcome, placement, degree: "full" });
  const { others } = await as(editor, "links.ways", { resource: lost.id });
  expect(others.filter((other) => other.why === "serves")).toMatchObject([
    { resource: both.id, serves: "Reads a core, Draws a curve" },
    { resource: one.id, serves: "Reads a core" },
  ]);
  const { entry, mended } = await as(editor, "links.mend", { resource: lost.id, to: both.id });
  expect([mended, await leadsTo(world, lost.placement)]).toEqual([1, `${origin}/both`]);
  await as(editor, "history.undo", { team, entry });
  expect(await leadsTo(world, lost.placement)).toBe(`${origin}/lost`);
  await expect(as(editor, "links.mend", { resource: lost.id, to: lost.id })).rejects.toMatchObject({
    code: "address-same",
  });
  // What is another team's is nowhere to be led to.
  const theirs = await watched(await makeWorld(), "/theirs", "Theirs");
  await expect(as(editor, "links.mend", { resource: lost.id, to: theirs.id })).rejects.toMatchObject({
    code: "not-found",
  });
});

test("a site that moved house is noticed by two of its pages; everything there is led at once, after a look and a try, and back", async () => {
  const world = await makeWorld();
  const { editor, team } = world;
  const items: { id: string; placement: string }[] = [];
  for (const name of ["a", "b", "c", "d"]) {
    items.push(await watched(world, `/house/${name}`, name));
    pages.set(`/new/house/${name}`, { body: html(`Page ${name}`, prose(name)) });
    if (name !== "d")
      pages.set(`/house/${name}`, { status: 301, headers: { location: `/new/house/${name}` } });
  }
  await watched(world, "/elsewhere", "elsewhere");
  for (const { id } of items.slice(0, 2)) await lookAtLink(id);
  const { houses } = await as(editor, "links.read", { team });
  expect(houses).toEqual([{ from: `${origin}/`, to: `${origin}/new/`, seen: 2 }]);
  const rule = { from: `${origin}/house/`, to: `${origin}/new/house/` };
  const { links, more } = await as(editor, "links.house", { team, ...rule });
  expect(links.map(({ to, isSaid }) => [to, isSaid])).toEqual(
    ["a", "b", "c", "d"].map((name, i) => [`${rule.to}${name}`, i < 2]),
  );
  expect(more).toBe(false);
  pages.delete("/new/house/d");
  const { tried } = await as(editor, "links.try-house", { team, ...rule });
  expect(tried.map(({ title, problem }) => [title, problem !== ""])).toEqual([
    ...["a", "b", "c"].map((name) => [`Page ${name}`, false]),
    ["", true],
  ]);
  const resources = items.slice(0, 3).map((one) => one.id);
  const { entry, mended } = await as(editor, "links.mend-house", { team, ...rule, resources });
  const lead = () => Promise.all(items.map((one) => leadsTo(world, one.placement)));
  expect([mended, await lead()]).toEqual([
    3,
    [...["a", "b", "c"].map((name) => rule.to + name), `${rule.from}d`],
  ]);
  await as(editor, "history.undo", { team, entry });
  expect(await lead()).toEqual(["a", "b", "c", "d"].map((name) => rule.from + name));
  // What does not begin so any more is not led, and nothing is; what is no address is said beside its field.
  const other = { team, from: `${origin}/other/`, to: rule.to, resources };
  await expect(as(editor, "links.mend-house", other)).rejects.toMatchObject({ code: "house-left" });
  await expect(as(editor, "links.house", { team, from: "nothing", to: rule.to })).rejects.toMatchObject({
    errors: [{ field: "from" }],
  });
});

test("a site that does not answer is told after two weeks, before it goes out, and on the Desk", async () => {
  const world = await makeWorld();
  const { editor, team, collection } = world;
  pages.set("/ill", { status: 500, body: "" });
  const { id } = await watched(world, "/ill", "Ill");
  const look = async () => {
    await database()
      .update(linkWatch)
      .set({ nextAt: new Date(0) })
      .where(eq(linkWatch.resource, id));
    await lookAtLink(id);
    const [row] = await database().select().from(linkWatch).where(eq(linkWatch.resource, id));
    return row!.nextAt.getTime() - row!.askedAt!.getTime();
  };
  const DAY = 86_400_000;
  const days = [];
  for (let i = 0; i < 4; i++) days.push(Math.floor((await look()) / DAY));
  const told = async () => [
    (await as(editor, "links.read", { team })).found.map(({ state }) => state),
    (await as(editor, "share.look-over", { collection })).counts.lost ?? 0,
    (await as(editor, "teams.waiting", { team })).links,
  ];
  expect([days, await told()]).toEqual([
    [1, 2, 4, 8],
    [[], 0, 0],
  ]);
  await look();
  expect(await told()).toEqual([["silent"], 1, 1]);
  // By then it has been looked for elsewhere, too.
  expect(
    await database()
      .select()
      .from(job)
      .where(eq(job.uniqueKey, `links.seek:${id}`)),
  ).toHaveLength(1);
});

test("of the links in a page it is told how many lead nowhere, once they have been asked; and not asked again for a month", async () => {
  const world = await makeWorld();
  const { editor } = world;
  pages.set("/here", { body: html("Here", "here") });
  const own = await watched(world, "/page", "Page", prose("peat"));
  const { id } = own;
  expect(await as(editor, "links.inside", { resource: id })).toMatchObject({ inside: null });
  const { inside: none } = (await lookInside(id), await as(editor, "links.inside", { resource: id }));
  expect(none).toMatchObject({ asked: 0, dead: [] });
  await database()
    .update(linkWatch)
    .set({ insideAt: new Date(0) })
    .where(eq(linkWatch.resource, id));
  const links = ["/here", "/nowhere", "/page#below"].map(
    (path) => `<p><a href="${origin}${path}">To ${path}</a></p>`,
  );
  await database()
    .update(resourceText)
    .set({ html: `<p>${prose("peat")}</p>${links.join("")}` })
    .where(eq(resourceText.resource, id));
  const jobs = () =>
    database()
      .select()
      .from(job)
      .where(eq(job.uniqueKey, `links.inside:${id}`));
  const before = (await jobs()).length;
  for (let times = 0; times < 3; times++)
    expect(await as(editor, "links.inside", { resource: id })).toMatchObject({ inside: null });
  // Whoever waits comes by often; it is asked once.
  expect([before, (await jobs()).map((one) => one.again)]).toEqual([1, [false]]);
  await lookInside(id);
  expect(await as(editor, "links.inside", { resource: id })).toMatchObject({
    inside: { asked: 2, dead: [{ title: "To /nowhere", address: `${origin}/nowhere` }] },
  });
});
