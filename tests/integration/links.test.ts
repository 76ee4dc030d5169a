import { once } from "node:events";
import http from "node:http";
import type { AddressInfo } from "node:net";
import { eq, ne } from "drizzle-orm";
import { afterAll, beforeAll, expect, test } from "vitest";
import { linkWatch, resource, resourceText } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { addressHash } from "@/outside/hash";
import { forgetSettings } from "@/outside/settings";
import { lookAtLink, lookAtLinks } from "@/services/links/look-at";
import { as, makeWorld } from "./world";

type Said = { status?: number; headers?: Record<string, string>; body?: string };
/** What stands at each path; whatever does not is shown the page of nothing, with 200. */
const pages = new Map<string, Said>();
const asked: { path: string; known: string | undefined }[] = [];
let nothing = "";
let origin = "";

const server = http.createServer((request, response) => {
  const path = request.url!;
  asked.push({ path, known: request.headers["if-none-match"] });
  const {
    status = 200,
    headers = {},
    body = nothing,
  }: Said = path === "/robots.txt" ? { status: 404, body: "" } : (pages.get(path) ?? {});
  const etag = headers.etag;
  if (etag && request.headers["if-none-match"] === etag) return void response.writeHead(304, headers).end();
  response.writeHead(status, { "content-type": "text/html; charset=utf-8", ...headers }).end(body);
});

const before = { allow: process.env.HOBBIN_FETCH_ALLOW, pause: process.env.HOBBIN_LINK_PAUSE };
beforeAll(async () => {
  server.listen(0, "127.0.0.1");
  await once(server, "listening");
  // What a site shows for nothing is asked once a day.
  nothing = html(prose("nothing"));
  origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  process.env.HOBBIN_FETCH_ALLOW = `${before.allow ?? ""} ${origin}`.trim();
  forgetSettings();
});
afterAll(() => {
  process.env.HOBBIN_FETCH_ALLOW = before.allow;
  if (before.pause === undefined) delete process.env.HOBBIN_LINK_PAUSE;
  else process.env.HOBBIN_LINK_PAUSE = before.pause;
  forgetSettings();
  server.closeAllConnections();
  server.close();
});

const prose = (word: string) =>
  Array.from({ length: 150 }, (_, i) => `${word}${i} grows by ${word}${i * 7} in ${word}${i * 3}.`).join(" ");
const html = (text: string) =>
  `<!doctype html><title>Page</title><body><article><h1>Page</h1><p>${text}</p></article></body>`;

/** Something that stands in a collection and leads to a path of the server, watched. */
async function watched(path: string, copy?: string) {
  const world = await makeWorld();
  const { editor, team, collection } = world;
  const placement = newId();
  const address = origin + path;
  const { resource: made } = await as(editor, "capture.address", { team, collection, address, placement });
  if (copy) await as(editor, "resources.paste-text", { resource: made.id, text: copy });
  // As it would have been read from there.
  await database().update(resourceText).set({ origin: "fetched" }).where(eq(resourceText.resource, made.id));
  await database().update(resource).set({ fetchState: "done" }).where(eq(resource.id, made.id));
  await database()
    .insert(linkWatch)
    .values({ resource: made.id, team, host: new URL(origin).host, nextAt: new Date(0) });
  const look = async (times = 1) => {
    for (let i = 0; i < times; i++) {
      // Its day has come.
      await database()
        .update(linkWatch)
        .set({ nextAt: new Date(i) })
        .where(eq(linkWatch.resource, made.id));
      await lookAtLink(made.id);
    }
    return (await database().select().from(linkWatch).where(eq(linkWatch.resource, made.id)))[0]!;
  };
  const found = async () => (await as(editor, "links.read", { team })).found;
  return { ...world, resource: made.id, placement, look, found };
}

test("what has moved for good is told the second time it is seen, is mended in one step with everything that leads there, and back", async () => {
  pages.set("/old", { status: 301, headers: { location: "/new" } });
  pages.set("/new", { body: html(prose("peat")) });
  const { editor, team, collection, resource: id, placement, look, found } = await watched("/old");
  const { collection: other } = await as(editor, "collections.make", { team, title: "Another" });
  await as(editor, "placements.add", { collection: other.id, resource: id });
  expect(await look()).toMatchObject({ state: "moved", times: 1, movedTo: `${origin}/new` });
  expect(await found()).toEqual([]);
  await look();
  expect(await found()).toMatchObject([{ resource: id, state: "moved", movedTo: `${origin}/new` }]);
  const { entry, mended } = await as(editor, "links.mend", { resource: id });
  expect([mended, (await found()).length]).toEqual([2, 0]);
  const leadsTo = async () =>
    (await as(editor, "collections.items", { collection })).items.find((item) => item.id === placement)!
      .resource.address;
  expect(await leadsTo()).toBe(`${origin}/new`);
  await as(editor, "history.undo", { team, entry });
  expect([await leadsTo(), (await found()).length]).toEqual([`${origin}/old`, 1]);
  await expect(as(editor, "links.mend", { resource: id, address: `${origin}/old` })).rejects.toMatchObject({
    code: "address-same",
  });
  // Where it led when it was brought in is no news.
  const canonicalHash = addressHash(`${origin}/new`);
  await database().update(resource).set({ canonicalHash }).where(eq(resource.id, id));
  expect(await look()).toMatchObject({ state: "ok", movedTo: "" });
});

test("a page that gives way to what the site shows for nothing is missing, though it answers 200; one about something else has changed", async () => {
  for (const [path, then, state] of [
    ["/soft", undefined, "missing"],
    ["/sold", { body: html(prose("casino")) }, "changed"],
  ] as const) {
    pages.set(path, { body: html(prose("peat")) });
    const { look, found } = await watched(path, prose("peat"));
    expect(await look()).toMatchObject({ state: "ok" });
    if (then) pages.set(path, then);
    else pages.delete(path);
    expect(await look(2)).toMatchObject({ state, times: 2 });
    expect(await found()).toMatchObject([{ state, copied: true }]);
    pages.set(path, { body: html(prose("peat")) });
    expect(await look()).toMatchObject({ state: "ok" });
    expect(await found()).toEqual([]);
  }
});

test("what says it is gone for good is believed at once, what leads to the front twice; what is alright is not told until it is otherwise", async () => {
  pages.set("/410", { status: 410, body: "gone" });
  const { editor, resource: id, look, found } = await watched("/410");
  expect(await look()).toMatchObject({ state: "gone" });
  expect(await found()).toHaveLength(1);
  await as(editor, "links.settle", { resource: id, settled: true });
  await look();
  expect(await found()).toEqual([]);
  pages.set("/410", { status: 302, headers: { location: "/" } });
  await look(2);
  expect(await found()).toMatchObject([{ state: "front" }]);
});

test("it is asked only whether it is another page, and one that is as it was is not read", async () => {
  pages.set("/tagged", { headers: { etag: '"1"' }, body: html(prose("moss")) });
  const { look } = await watched("/tagged");
  const first = await look();
  expect(first.signature).not.toBe("");
  asked.length = 0;
  expect(await look()).toMatchObject({ state: "ok", etag: '"1"', signature: first.signature });
  expect(asked).toEqual([{ path: "/tagged", known: '"1"' }]);
});

test("one site is not asked sooner than is set, however much of it is due", async () => {
  process.env.HOBBIN_LINK_PAUSE = "3600";
  forgetSettings();
  for (const path of ["/one", "/two", "/three"]) {
    pages.set(path, { body: html(prose("heath")) });
    await watched(path);
  }
  // Nothing of other tests is due meanwhile.
  await database()
    .update(linkWatch)
    .set({ nextAt: new Date("2100-01-01") })
    .where(ne(linkWatch.host, new URL(origin).host));
  asked.length = 0;
  await lookAtLinks(Date.now() + 3_000);
  const own = () => asked.filter(({ path }) => ["/one", "/two", "/three"].includes(path)).length;
  expect(own()).toBe(1);
  await lookAtLinks(Date.now() + 3_000);
  expect(own()).toBe(1);
});

test("what is in the bin is not asked, and holds up nothing that is", async () => {
  const { editor, resource: id, placement, look } = await watched("/binned");
  await as(editor, "placements.remove", { placement });
  await as(editor, "resources.remove", { resource: id });
  asked.length = 0;
  const row = await look();
  expect([asked, row.askedAt]).toEqual([[], null]);
  expect(row.nextAt.getTime()).toBeGreaterThan(Date.now());
});

test("a page made in the browser, which to programs is what the site shows for nothing, is not told to be missing", async () => {
  pages.delete("/app/page");
  const { resource: id, look } = await watched("/app/page", prose("peat"));
  await database().update(resourceText).set({ origin: "seen" }).where(eq(resourceText.resource, id));
  expect(await look(3)).toMatchObject({ state: "ok" });
});

test("readers are given the copy of what is lost, where the curator or its licence allows it", async () => {
  pages.set("/lost", { status: 410, body: "" });
  const { editor, collection, placement, resource: id, look } = await watched("/lost", prose("peat"));
  const { code } = await as(editor, "share.set", { collection, audience: "link" });
  const copy = async () => {
    const { collection: read } = await as({ person: null, share: code }, "reader.read", { collection });
    return read.sections.flatMap(({ items }) => items).find((item) => item.id === placement)!.copy;
  };
  expect(await copy()).toBeNull();
  await look();
  expect(await copy()).toBeNull();
  await as(editor, "placements.edit", { placement, givesCopy: true });
  expect(await copy()).toBe("gone");
  await as(editor, "placements.edit", { placement, givesCopy: false });
  await as(editor, "resources.edit", { resource: id, licence: "CC-BY-4.0" });
  expect(await copy()).toBe("gone");
  await as(editor, "links.settle", { resource: id, settled: true });
  expect(await copy()).toBeNull();
});
