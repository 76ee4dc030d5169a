import { beforeAll, expect, test } from "vitest";
import { getReaderFile, getReaderPage, type ReaderParams } from "@/http/reader-route";
import { addressOfHobbin } from "@/services/accounts/address";
import { as, makeWorld, type World } from "./world";

let world: World;
/** A collection of another team, whose people are in this one, too. */
let other: { team: string; collection: string; code: string };
const HOME = addressOfHobbin();
const of = <P extends object>(params: P) => ({ params: Promise.resolve(params) });
const settle = () => new Promise((resolve) => setTimeout(resolve, 600));
const get = async (params: Partial<ReaderParams> = {}) => {
  const answer = await getReaderPage(new Request(`${HOME}/c/x`), of({ code: world.code, ...params }));
  return { status: answer.status, text: await answer.text() };
};

beforeAll(async () => {
  world = await makeWorld();
  const { editor, collection } = world;
  await as(editor, "collections.use", { collection, use: "portfolio" });
  await as(editor, "share.set", { collection, audience: "public", reach: "all" });
  const { teams } = await as(editor, "teams.read", {});
  const team = teams.find((one) => one.own)!.id;
  const made = (await as(editor, "collections.make", { team, title: "Birds by ear" })).collection.id;
  await as(editor, "capture.note", { team, text: "Curlew at dusk", collection: made });
  await as(editor, "share.set", { collection: made, audience: "public", reach: "all" });
  other = { team, collection: made, code: (await as(editor, "share.read", { collection: made })).code! };
});

test("public collections of all one's teams are put in once, and shown as they are now", async () => {
  const { editor, collection } = world;
  expect(await as(editor, "portfolios.read", { collection })).toMatchObject({
    collections: [{ id: other.collection, title: "Birds by ear", isIn: false }],
  });
  const add = { collection, chosen: [other.collection] };
  const [first, again] = [await as(editor, "portfolios.add", add), await as(editor, "portfolios.add", add)];
  expect([first.items.length, again.items.length]).toEqual([1, 0]);
  await as(editor, "placements.edit", { placement: first.items[0]!.id, context: "Two springs of listening" });
  await settle();
  const { text } = await get();
  expect(text).toContain("Two springs of listening");
  expect(text).toContain(`<a href="${HOME}/c/${other.code}"`);
  expect(text).toContain("1 item");
  // Another name, another item: it shows on the portfolio within the second.
  await as(editor, "collections.edit", { collection: other.collection, title: "Birds & bats by ear" });
  await as(editor, "capture.note", { team: other.team, text: "Nightjar", collection: other.collection });
  await settle();
  const later = (await get()).text;
  expect(later).toContain("Birds &amp; bats by ear");
  expect(later).toContain("2 items");
});

test("what is public no longer is not there within the second, and is told to who looks the portfolio over", async () => {
  const { editor, collection } = world;
  const looked = () => as(editor, "share.look-over", { collection });
  const kinds = async () => (await looked()).findings.map((one) => one.kind);
  expect(await kinds()).not.toContain("closed");
  await as(editor, "editions.keep", { collection, words: "With the birds" });
  for (const audience of ["link", "team"] as const) {
    await as(editor, "share.set", { collection: other.collection, audience });
    await settle();
    const { status, text } = await get();
    expect([status, text.includes(other.code), text.includes("Two springs")], audience).toEqual([
      200,
      false,
      false,
    ]);
    expect(await kinds()).toContain("closed");
    // Nobody of another team finds it by asking, either.
    await expect(
      as(world.owner, "portfolios.add", { collection, chosen: [other.collection] }),
    ).rejects.toMatchObject({ code: "not-public" });
  }
  // An edition stays as it was.
  expect((await get({ edition: "1" })).text).toContain("Birds &amp; bats by ear");
  await as(editor, "share.set", { collection: other.collection, audience: "public" });
  await settle();
  expect((await get()).text).toContain("Two springs");
});

test("a collection whose readers see an edition is shown by that, and not by what is being worked on", async () => {
  const { editor } = world;
  await as(editor, "editions.keep", { collection: other.collection });
  await as(editor, "share.set", { collection: other.collection, audience: "public", shows: "edition" });
  await as(editor, "collections.edit", {
    collection: other.collection,
    title: "A title nobody shall see yet",
  });
  await settle();
  expect((await get()).text).not.toContain("nobody shall see yet");
  expect((await get()).text).toContain("Birds &amp; bats by ear");
});

test("a use and a phase are taken back by undo; so are a part of a film and its captions", async () => {
  const { editor, team } = world;
  const undo = async () => expect(await as(editor, "history.undo", { team })).toMatchObject({ done: true });
  const made = (await as(editor, "collections.make", { team, title: "A double lesson" })).collection.id;
  const read = () => as(editor, "collections.read", { collection: made });
  await as(editor, "collections.use", { collection: made, use: "lesson" });
  const [phase] = (await read()).sections;
  await as(editor, "sections.edit", { section: phase!.id, minutes: 25, teacher: "Shows the core" });
  await undo();
  expect((await as(editor, "lessons.read", { collection: made })).phases[0]).toMatchObject({
    minutes: 10,
    teacher: "",
  });
  await undo();
  expect((await read()).collection.use).toBeNull();
});

test("a part of a film is played from its second to its second, with its captions, and counts by its minutes", async () => {
  const { editor, team } = world;
  const undo = async () => expect(await as(editor, "history.undo", { team })).toMatchObject({ done: true });
  const made = (await as(editor, "collections.make", { team, title: "Films" })).collection.id;
  const address = `https://moss-films.example/${world.address}.webm`;
  const { resource, item } = await as(editor, "capture.address", { team, address, collection: made });
  await as(editor, "resources.set-kind", { team, resources: [resource.id], kind: "video" });
  const edit = (part: { clipFrom?: number | null; clipTo?: number | null }) =>
    as(editor, "placements.edit", { placement: item!.id, ...part });
  await edit({ clipFrom: 90 });
  await expect(edit({ clipTo: 90 })).rejects.toMatchObject({ code: "ends-before" });
  await edit({ clipTo: 330 });
  const give = (captions: string) =>
    as(editor, "resources.give-captions", { resource: resource.id, captions });
  await expect(give("WEBVTT\n\n0:1 --> 0:2\nx")).rejects.toMatchObject({ code: "captions-not-readable" });
  expect(await give("1\n00:00:01,000 --> 00:00:02,000\nIce on the pools")).toMatchObject({ cues: 1 });
  const sums = async () => (await as(editor, "collections.read", { collection: made })).sums;
  expect(await sums()).toMatchObject([{ items: 1, minutes: 4 }]);
  await as(editor, "share.set", { collection: made, audience: "link" });
  const code = (await as(editor, "share.read", { collection: made })).code!;
  await settle();
  const { text } = await get({ code });
  expect(text).toContain("1:30 to 5:30");
  const file = (query: string) =>
    getReaderFile(new Request(`${HOME}/c/${code}/f/${item!.id}${query}`), of({ code, item: item!.id }));
  const captions = await file("?captions");
  expect([captions.status, captions.headers.get("content-type")]).toEqual([200, "text/vtt; charset=utf-8"]);
  expect(await captions.text()).toBe("WEBVTT\n\n00:00:01.000 --> 00:00:02.000\nIce on the pools\n");
  await undo();
  await settle();
  expect((await file("?captions")).status).toBe(404);
  await undo();
  await undo();
  expect(await sums()).toMatchObject([{ items: 1, minutes: 0 }]);
});
