import { mkdtempSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { beforeAll, expect, test } from "vitest";
import { getCopy } from "@/http/copy-route";
import { getChanges, getEditions } from "@/http/editions-route";
import { getFeed } from "@/http/feed-route";
import { getReaderFile, getReaderPage, type ReaderParams } from "@/http/reader-route";
import { heldAmong } from "@/data/queries/held-files";
import { editionsOf } from "@/data/queries/editions";
import { changingByItself, database } from "@/mechanism/changing";
import { openFile } from "@/outside/files";
import { sha256 } from "@/outside/hash";
import { newId } from "@/outside/random";
import { addressOfHobbin } from "@/services/accounts/address";
import { putFile } from "@/services/files/put";
import { takeIn } from "@/services/files/uploads";
import { as, makeWorld, type World } from "./world";

let world: World;
let week: string;
let file: string;
let note: string;
const HOME = addressOfHobbin();
const of = <P extends object>(params: P) => ({ params: Promise.resolve(params) });
const settle = () => new Promise((resolve) => setTimeout(resolve, 600));
const get = async (params: Partial<ReaderParams> = {}) => {
  const answer = await getReaderPage(new Request(`${HOME}/c/x`), of({ code: world.code, ...params }));
  return { status: answer.status, text: await answer.text() };
};
const titleOf = (n: number) => `Reading ${n}, as it was`;

beforeAll(async () => {
  world = await makeWorld();
  const { editor, team, collection } = world;
  week = (await as(editor, "collections.make", { team, title: "Week 1", parent: collection })).collection.id;
  await as(editor, "share.set", { collection, audience: "link", reach: "all" });
  const upload = path.join(mkdtempSync(path.join(os.tmpdir(), "hobbin-editions-")), "plan.txt");
  writeFileSync(upload, `Water level in cm, ${world.address}`);
  const arrived = {
    person: editor.person!.id,
    team,
    name: "plan.txt",
    ...(await takeIn(upload, "plan.txt")),
  };
  const { id } = await changingByItself((tx, begin) => putFile(tx, begin({ team, person: null }), arrived));
  file = newId();
  await as(editor, "placements.add", { collection: week, resource: id, placement: file });
  const { resource, item } = await as(editor, "capture.note", { team, text: titleOf(1), collection: week });
  note = item!.id;
  await as(editor, "resources.paste-text", { resource: resource.id, text: `${titleOf(1)}. `.repeat(30) });
  await as(editor, "placements.edit", { placement: note, context: "Because of 1", givesCopy: true });
});

test("an edition stays as it is, with its parts, files and reading copies, while the collection goes on", async () => {
  const { editor, collection, code } = world;
  expect(await as(editor, "editions.keep", { collection, words: "The <first> one" })).toMatchObject({
    number: 1,
    isNew: true,
  });
  // Sent twice it is kept once; and so is what has not changed.
  expect(await as(editor, "editions.keep", { collection })).toMatchObject({ number: 1, isNew: false });
  const before = (await get({ edition: "1", part: week })).text;
  await as(editor, "placements.edit", { placement: note, context: "Because of 2" });
  await as(editor, "placements.remove", { placement: file });
  await as(editor, "collections.edit", { collection: week, title: "Week one" });
  await settle();
  const now = await get({ part: week });
  expect([now.text.includes("Because of 2"), now.text.includes(">plan<")]).toEqual([true, false]);
  const then = await get({ edition: "1", part: week });
  expect(then.text).toBe(before);
  expect(then.text).toContain("Because of 1");
  expect((await get({ edition: "1" })).text).toMatch(/Edition 1.*The &lt;first&gt; one/s);
  const sent = await getReaderFile(
    new Request(`${HOME}/x`),
    of({ code, edition: "1", part: week, item: file }),
  );
  expect(await sent.text()).toContain("Water level in cm");
  expect((await getReaderFile(new Request(`${HOME}/x`), of({ code, part: week, item: file }))).status).toBe(
    404,
  );
  const copy = await getCopy(new Request(`${HOME}/x`), of({ code, edition: "1", part: week, item: note }));
  expect([copy.status, (await copy.text()).includes(titleOf(1))]).toEqual([200, true]);
});

test("its digest is that of its bytes, and everything it needs is held", async () => {
  const [edition] = await editionsOf(database(), world.collection);
  const opened = await openFile(edition!.digest);
  const chunks: Buffer[] = [];
  for await (const chunk of opened!.stream) chunks.push(chunk as Buffer);
  const bytes = Buffer.concat(chunks);
  expect(sha256(bytes)).toBe(edition!.digest);
  const hashes = [...bytes.toString().matchAll(/"hash":"([0-9a-f]{64})"/g)].map((one) => one[1]!);
  expect(hashes.length).toBeGreaterThan(1);
  const wanted = [edition!.digest, ...hashes];
  expect([...(await heldAmong(database(), wanted))].sort()).toEqual([...new Set(wanted)].sort());
});

test("readers are given the newest edition where that is wished, in every form, and never what is being worked on", async () => {
  const { editor, collection, code, holder } = world;
  await expect(as(editor, "share.set", { collection: week, shows: "edition" })).rejects.toMatchObject({
    code: "no-edition-yet",
    errors: [{ field: "shows" }],
  });
  await as(editor, "share.set", { collection, shows: "edition" });
  await settle();
  expect((await get({ part: week })).text).toContain("Because of 1");
  const read = await as(holder, "reader.read", { collection: week }).catch((e: unknown) => e);
  expect(JSON.stringify(read)).not.toContain("Because of 2");
  const feed = await getFeed(new Request(`${HOME}/x`), of({ code, feed: "feed.json" }));
  const text = await feed.text();
  expect([text.includes("Because of 1"), text.includes("Because of 2")]).toEqual([true, false]);
  expect(await as(editor, "editions.keep", { collection, words: "Second" })).toMatchObject({ number: 2 });
  await settle();
  expect((await get({ part: week })).text).toContain("Because of 2");
  const changed = await (await getChanges(new Request(`${HOME}/x`), of({ code, edition: "2" }))).text();
  for (const said of ["Week one", "plan<", "<del>Because of 1</del>", "<ins>Because of 2</ins>"])
    expect(changed).toContain(said);
  const compared = await as(editor, "editions.compare", { collection, from: 1, to: 2 });
  expect(compared.gone).toMatchObject([{ id: file, what: "item" }]);
  expect((await as(editor, "editions.compare", { collection, from: 2 })).words).toEqual([]);
});

test("one that is withdrawn leaves a dated line; the one before is given; it can be given back", async () => {
  const { editor, collection, code, holder } = world;
  await as(editor, "editions.withdraw", { collection, number: 2, withdrawn: true });
  await settle();
  expect(await get({ edition: "2" })).toMatchObject({
    status: 410,
    text: expect.stringContaining("was withdrawn"),
  });
  expect((await get({ edition: "2", part: week })).status).toBe(410);
  expect((await get({ part: week })).text).toContain("Because of 1");
  expect(
    (await getCopy(new Request(`${HOME}/x`), of({ code, edition: "2", part: week, item: note }))).status,
  ).toBe(404);
  await expect(as(holder, "reader.read", { collection, edition: 2 })).rejects.toThrow();
  const list = await (await getEditions(new Request(`${HOME}/x`), of({ code }))).text();
  expect(list).toMatch(/Edition 2<\/p>.*withdrawn on/s);
  await as(editor, "editions.withdraw", { collection, number: 1, withdrawn: true });
  await settle();
  // Nothing is left that readers could be given; what is being worked on is not.
  expect((await get()).status).toBe(404);
  for (const number of [1, 2])
    await as(editor, "editions.withdraw", { collection, number, withdrawn: false });
  await as(editor, "share.set", { collection, shows: "living" });
  for (const edition of ["3", "0", "-1", "1e1", "999999999"])
    expect((await get({ edition })).status, edition).toBe(404);
});

test("closing the collection closes its editions", async () => {
  const { editor, collection, code } = world;
  await as(editor, "share.set", { collection, audience: "team" });
  await settle();
  expect((await get({ edition: "1" })).status).toBe(404);
  expect((await getEditions(new Request(`${HOME}/x`), of({ code }))).status).toBe(404);
  await as(editor, "share.set", { collection, audience: "link" });
});

test("an old one comes back as a new collection, with what lies in the bin; in one step it is gone again", async () => {
  const { editor, collection, team } = world;
  const placed = await as(editor, "editions.bring-back", { collection, number: 1 });
  const { collection: id, entry } = { collection: placed.collection.id, entry: placed.entry };
  const tree = (await as(editor, "collections.tree", { team })).collections;
  const inside = tree.find((one) => one.parent === id)!;
  expect([placed.collection.title, inside.title]).toEqual(["A collection (edition 1)", "Week 1"]);
  const { items } = await as(editor, "collections.items", { collection: inside.id });
  expect(items.map((item) => [item.resource.title, item.context])).toEqual([
    ["plan", ""],
    [titleOf(1), "Because of 1"],
  ]);
  await as(editor, "history.undo", { team, entry });
  await expect(as(editor, "collections.read", { collection: id })).rejects.toMatchObject({ code: "in-bin" });
});
