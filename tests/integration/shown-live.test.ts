import { eq } from "drizzle-orm";
import { beforeAll, expect, test } from "vitest";
import { collection as hidden } from "@/data/schema";
import { getReaderPage } from "@/http/reader-route";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { addressOfHobbin } from "@/services/accounts/address";
import { as, makeWorld, type World } from "./world";

const HOME = addressOfHobbin();
/** Readers' pages are looked at twice a second. */
const settle = () => new Promise((resolve) => setTimeout(resolve, 600));
let [lender, world]: World[] = [];
let [code, mine] = ["", ""];

const pageOf = async (of: string) => {
  const answer = await getReaderPage(new Request(`${HOME}/c/${of}`), {
    params: Promise.resolve({ code: of }),
  });
  return answer.text();
};
const note = ({ owner, team }: World, collection: string, text: string) => {
  const placement = newId();
  return as(owner, "capture.note", { team, text, collection, placement }).then(() => placement);
};
const goPublic = async ({ owner, collection }: World) => {
  await as(owner, "share.set", { collection, audience: "public", reach: "all" });
  return (await as(owner, "share.read", { collection })).code!;
};
const itemOf = async (placement: string) =>
  (await as(world!.viewer, "collections.items", { collection: world!.collection })).items.find(
    (one) => one.id === placement,
  )!;

beforeAll(async () => {
  [lender, world] = [await makeWorld(), await makeWorld()];
  await as(lender.owner, "collections.edit", { collection: lender.collection, title: "Water in peat" });
  await as(lender.owner, "placements.edit", { placement: lender.placement, context: "Read this first." });
  const hidden = await note(lender, lender.collection, "Only for the station");
  await as(lender.owner, "placements.edit", { placement: hidden, forReaders: false });
  [code, mine] = [await goPublic(lender), await goPublic(world)];
});

test("a public collection is shown in another one as it stands there, once, and what becomes of it too", async () => {
  const { editor, collection } = world!;
  const show = { collection, shown: lender!.collection, placement: newId() };
  await as(editor, "shelves.show", show);
  await as(editor, "shelves.show", show);
  expect(
    (await as(editor, "collections.items", { collection })).items.filter((one) => one.shownLive),
  ).toHaveLength(1);
  await as(editor, "placements.edit", { placement: show.placement, context: "They know more of it." });
  await settle();
  const text = await pageOf(mine);
  expect(text).toContain("They know more of it.");
  expect(text).toContain(`href="${HOME}/c/${code}"`);
  expect(text).toContain("Read this first.");
  expect(text).not.toContain("Only for the station");
  // Another sentence there is another sentence here, within the second.
  await as(lender!.owner, "placements.edit", { placement: lender!.placement, context: "Read this twice." });
  await settle();
  expect(await pageOf(mine)).toContain("Read this twice.");
  // Another address of it leads there, too.
  await as(lender!.owner, "share.renew", { collection: lender!.collection });
  code = (await as(lender!.owner, "share.read", { collection: lender!.collection })).code!;
  await settle();
  expect(await pageOf(mine)).toContain(`href="${HOME}/c/${code}"`);
});

test("while it is closed nothing of it is shown, which its people are told; open again it is there again", async () => {
  const { editor, collection } = world!;
  const kinds = async () =>
    (await as(editor, "share.look-over", { collection })).findings.map((one) => one.kind);
  expect(await kinds()).not.toContain("closed");
  await as(lender!.owner, "share.set", { collection: lender!.collection, audience: "link" });
  await settle();
  const text = await pageOf(mine);
  for (const words of ["Read this twice.", "They know more of it.", "Water in peat"])
    expect(text).not.toContain(words);
  expect(await kinds()).toContain("closed");
  await expect(
    as(editor, "shelves.show", { collection, shown: lender!.collection, placement: newId() }),
  ).rejects.toMatchObject({ kind: "not-found" });
  await goPublic(lender!);
  await settle();
  expect(await pageOf(mine)).toContain("Read this twice.");
});

test("while stewards hide it, and once it is deleted, nothing of it is shown", async () => {
  const lender = await makeWorld();
  await as(lender.owner, "collections.edit", { collection: lender.collection, title: "Soon gone" });
  await goPublic(lender);
  const mine = await makeWorld();
  const { editor, collection } = mine;
  await as(editor, "shelves.show", { collection, shown: lender.collection, placement: newId() });
  const { code } = await as(editor, "share.set", { collection, audience: "link" });
  const shows = async () => {
    await settle();
    return (await pageOf(code!)).includes("Soon gone");
  };
  expect(await shows()).toBe(true);
  const hide = (hiddenAt: Date | null) =>
    database().update(hidden).set({ hiddenAt }).where(eq(hidden.id, lender.collection));
  await hide(new Date());
  expect(await shows()).toBe(false);
  await hide(null);
  expect(await shows()).toBe(true);
  await as(lender.owner, "collections.remove", { collection: lender.collection });
  expect(await shows()).toBe(false);
});

test("a ring of two ends: each shows the other's items, and its own as a link", async () => {
  await as(lender!.owner, "shelves.show", {
    collection: lender!.collection,
    shown: world!.collection,
    placement: newId(),
  });
  await settle();
  const [here, there] = [
    await pageOf(mine),
    await pageOf((code = (await as(lender!.owner, "share.read", { collection: lender!.collection })).code!)),
  ];
  expect(here.split("Read this twice.")).toHaveLength(2);
  expect(there.split("They know more of it.")).toHaveLength(2);
  // In itself, and in what stands in it, it is refused.
  const { owner, team, collection } = world!;
  const inner = (await as(owner, "collections.make", { team, title: "Inner", parent: collection })).collection
    .id;
  for (const within of [collection, inner])
    await expect(
      as(owner, "shelves.show", { collection: within, shown: collection, placement: newId() }),
    ).rejects.toMatchObject({ code: "in-itself" });
});

test("any item that leads to one can show it; a copy in its stead is one step, and undone in one", async () => {
  const { editor, team, collection } = world!;
  const all = (await as(editor, "collections.items", { collection })).items;
  const live = all.find((one) => one.shownLive)!;
  await as(editor, "placements.edit", { placement: live.id, shownLive: false });
  expect((await itemOf(live.id)).shownLive).toBeNull();
  // Its address of old leads nowhere since it was renewed.
  await expect(as(editor, "placements.edit", { placement: live.id, shownLive: true })).rejects.toMatchObject({
    code: "leads-to-none",
  });
  const [{ id: other }] = all.filter((one) => !one.resource.address.includes("/c/")) as [
    (typeof all)[number],
  ];
  await expect(as(editor, "placements.edit", { placement: other, shownLive: true })).rejects.toMatchObject({
    code: "leads-to-none",
  });
  const shown = newId();
  await as(editor, "shelves.show", { collection, shown: lender!.collection, placement: shown });
  // Copied to another place it is shown there, too.
  const elsewhere = (await as(editor, "collections.make", { team, title: "Elsewhere" })).collection.id;
  const copied = await as(editor, "placements.copy-many", {
    ...{ collection: elsewhere, placements: [shown], ids: [newId()] },
  });
  expect(copied.items.map((one) => one.shownLive)).toEqual([lender!.collection]);
  const wanted = (await as(editor, "shelves.read", { collection: lender!.collection })).parts
    .flatMap((part) => part.items)
    .map((one) => one.id);
  const ids = wanted.map(() => newId());
  const { entry } = await as(editor, "shelves.take", {
    ...{ collection, from: lender!.collection, items: wanted, instead: shown, ids, after: shown },
  });
  expect((await itemOf(shown)).shownLive).toBeNull();
  expect((await itemOf(ids[0]!)).credit).toEqual(expect.any(String));
  await as(editor, "history.undo", { team, entry });
  expect((await itemOf(shown)).shownLive).toBe(lender!.collection);
});
