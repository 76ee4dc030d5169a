import { beforeAll, describe, expect, test } from "vitest";
import { getCard } from "@/http/card-route";
import { getCopy } from "@/http/copy-route";
import { getFeed, getTeamFeed } from "@/http/feed-route";
import { getGo } from "@/http/go-route";
import { getOembed } from "@/http/oembed-route";
import { getPaper } from "@/http/paper-route";
import { getQr } from "@/http/qr-route";
import { getReaderPage } from "@/http/reader-route";
import { getSitemap } from "@/http/robots-route";
import { addressOfHobbin } from "@/services/accounts/address";
import { shortCode } from "@/core/share/short-code";
import { newId } from "@/outside/random";
import { inRequest } from "@/outside/request-context";
import { as, makeWorld } from "./world";

type World = Awaited<ReturnType<typeof makeWorld>>;
let world: World;
let week: string;
const HOME = addressOfHobbin();
const asked = (path: string, head: Record<string, string> = {}) =>
  new Request(`${HOME}${path}`, { headers: head });
const of = <P extends object>(params: P) => ({ params: Promise.resolve(params) });
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

beforeAll(async () => {
  world = await makeWorld();
  const { editor, team, collection } = world;
  week = (await as(editor, "collections.make", { team, title: "Week 1", parent: collection })).collection.id;
  const { item } = await as(editor, "capture.address", { team, address: "https://bog.example/week", collection: week });
  await as(editor, "placements.edit", { placement: item!.id, context: "Because <this> & that" });
  await as(editor, "tags.add", { resource: item!.resource.id, tags: ["water table"] });
  await as(editor, "share.set", { collection, audience: "public", reach: "all" });
  await wait(600);
}); // prettier-ignore

const feed = (file: string, head?: Record<string, string>, query = "") =>
  getFeed(asked(`/c/${world.code}/${file}${query}`, head), of({ code: world.code, feed: file }));

describe("feeds", () => {
  test("have what was added last, here and in what stands inside, with why it stands there", async () => {
    for (const [file, type] of [
      ["feed.atom", "application/atom+xml"],
      ["feed.rss", "application/rss+xml"],
      ["feed.json", "application/feed+json"],
    ] as const) {
      const answer = await feed(file);
      expect(answer.headers.get("content-type")).toContain(type);
      const text = await answer.text();
      expect(text, file).toContain("https://bog.example/week");
      expect(text, file).toMatch(/Because (&amp;lt;|&lt;)this/);
      expect(text, file).toContain("urn:uuid:");
    }
    for (const wrong of ["feed.xml", "feed.constructor", "feed"])
      expect((await feed(wrong)).status, wrong).toBe(404);
  });

  test("are 304 until something changes, in a part as well", async () => {
    const etag = (await feed("feed.atom")).headers.get("etag")!;
    expect((await feed("feed.atom", { "if-none-match": etag })).status).toBe(304);
    const { item } = await as(world.editor, "capture.address", {
      team: world.team,
      address: "https://bog.example/second",
      collection: week,
    });
    await wait(600);
    const after = await feed("feed.atom", { "if-none-match": etag });
    expect(after.status).toBe(200);
    expect(await after.text()).toContain(item!.id);
  });

  test("of a team have what is public, by a tag if one likes, and are listed as OPML; of a tag that is gone they are empty", async () => {
    const team = (file: string, query = "") =>
      getTeamFeed(asked(`/public/${world.team}/${file}${query}`), of({ team: world.team, feed: file }));
    expect(await (await team("feed.atom")).text()).toContain("https://bog.example/week");
    expect(await (await team("feed.json", "?tag=Water%20Table")).text()).toContain("https://bog.example/week");
    const gone = await team("feed.atom", "?tag=nobody");
    expect([gone.status, (await gone.text()).includes("<entry>")]).toEqual([200, false]);
    const opml = await (await team("feeds.opml")).text();
    expect(opml).toContain(`xmlUrl="${HOME}/c/${world.code}/feed.atom"`);
    const stranger = newId();
    const none = await getTeamFeed(asked(`/public/${stranger}/feed.atom`), of({ team: stranger, feed: "feed.atom" }));
    expect(none.status).toBe(404);
  }); // prettier-ignore
});

describe("set into other places", () => {
  const embed = (query: string) => getOembed(asked(`/api/oembed?${query}`));
  const page = encodeURIComponent(`${HOME}/c/`);

  test("oEmbed answers for every shared address in both formats, within the size that is asked for", async () => {
    const json = await (await embed(`url=${page}${world.code}`)).json();
    expect(json).toMatchObject({ version: "1.0", type: "rich", provider_name: "Hobbin", width: 720, height: 600 });
    expect(json.html).toContain(`src="${HOME}/c/${world.code}"`);
    const small = await (await embed(`url=${page}${world.code}&maxwidth=300&maxheight=200`)).json();
    expect([small.width, small.height, small.thumbnail_url]).toEqual([300, 200, undefined]);
    const part = await (await embed(`url=${page}${world.code}%2Fin%2F${week}&format=xml`)).text();
    expect(part).toContain("<title>Week 1</title>");
    const statuses = ["url=https://bog.example/", `url=${page}nothing`, "", `url=${page}${world.code}&format=yaml`];
    expect(await Promise.all(statuses.map(async (query) => (await embed(query)).status))).toEqual([404, 404, 404, 501]);
  }); // prettier-ignore

  test("only the sites that are named may frame it; what is no site is refused beside its field", async () => {
    const { editor, collection, code } = world;
    const ancestors = async () => {
      await wait(600);
      const { headers } = await getReaderPage(asked(`/c/${code}`), of({ code }));
      return /frame-ancestors ([^;]*)/.exec(headers.get("content-security-policy")!)![1];
    };
    expect(await ancestors()).toBe("*");
    await as(editor, "collections.edit", { collection, framedBy: "school.example, https://moodle.example:8443/course?id=1" });
    expect(await ancestors()).toBe("'self' https://school.example https://moodle.example:8443");
    await as(editor, "collections.edit", { collection, framedBy: "" });
    expect(await ancestors()).toBe("'self'");
    for (const framedBy of ["localhost", "'none'; script-src *", "https://"])
      await expect(as(editor, "collections.edit", { collection, framedBy })).rejects.toMatchObject({ kind: "not-valid" });
  }); // prettier-ignore

  test("its picture is drawn, its sheet has a code beside each link, and it is in the sitemap", async () => {
    const { code } = world;
    const card = await getCard(asked(`/c/${code}/card.png`), of({ code }));
    const bytes = Buffer.from(await card.arrayBuffer());
    expect([bytes.readUInt32BE(16), bytes.readUInt32BE(20)]).toEqual([1_200, 630]);
    const long = `https://bog.example/${"ü".repeat(900)}`;
    const { item } = await as(world.editor, "capture.address", { team: world.team, address: long, collection: week });
    const sheet = await (await getPaper(asked(`/c/${code}/paper?paper=letter&room=1`), of({ code, part: week }))).text();
    expect(sheet).toContain("@page{size:letter");
    // One of the page and one of each of its two items; a third one's address is longer than a code can hold.
    expect(sheet.match(/<svg /g)).toHaveLength(3);
    expect(sheet.match(/class="room"/g)).toHaveLength(3);
    await as(world.editor, "placements.remove", { placement: item!.id });
    expect(await (await getSitemap()).text()).toContain(`<loc>${HOME}/c/${code}</loc>`);
    const qr = async (file: string) => (await getQr(asked(`/c/${code}/qr/${file}`), of({ code, file }))).headers.get("content-type");
    expect([await qr("svg"), await qr("png"), await qr("exe")]).toEqual(["image/svg+xml", "image/png", null]);
  }); // prettier-ignore
});

test("readers are given the reading copy only where the curator chose it or the original is gone", async () => {
  const { editor, code, team } = world;
  const { item } = await as(editor, "capture.address", { team, address: "https://bog.example/kept", collection: week });
  await as(editor, "resources.paste-text", { resource: item!.resource.id, text: "Peat is slow." });
  const copy = () => getCopy(asked(`/c/${code}/in/${week}/t/${item!.id}`), of({ code, part: week, item: item!.id }));
  expect((await copy()).status).toBe(404);
  await as(editor, "placements.edit", { placement: item!.id, givesCopy: true });
  const shown = await (await copy()).text();
  expect(shown).toContain("Peat is slow.");
  expect(shown).toMatch(/A copy kept on \d{4}-\d\d-\d\d\. The original:/);
}); // prettier-ignore

test("guessing at short codes ends: whoever tries on is told to wait, right code or not", async () => {
  const { short } = await as(world.editor, "codes.make", { collection: world.collection });
  const knock = (code: string, address: string) =>
    inRequest({ id: newId(), address }, async () => (await getGo(asked(`/go/${code}`), of({ code }))).status);
  const wrong = () => shortCode(crypto.getRandomValues(new Uint8Array(256)));
  expect(await knock(short, "203.0.113.7")).toBe(303);
  const statuses = new Set<number>();
  for (let i = 0; i < 40; i++) statuses.add(await knock(wrong(), "203.0.113.8"));
  expect(statuses).toEqual(new Set([404, 429]));
  expect(await knock(short, "203.0.113.8")).toBe(429);
  expect(await knock(short, "203.0.113.7")).toBe(303);
  // A slip is no guess.
  expect(await knock("bcd", "203.0.113.7")).toBe(422);
});
