import { describe, expect, test } from "vitest";
import { newId } from "@/outside/random";
import { readerPage } from "@/services/reader/reader-page";
import { as, makeWorld, type World } from "./world";

/** Somebody's public collection and an own copy of it in another team. */
async function borrowed(more: (lender: World) => Promise<void> = async () => undefined) {
  const [lender, world] = [await makeWorld(), await makeWorld()];
  await as(lender.owner, "placements.edit", { placement: lender.placement, context: "Read this first." });
  await more(lender);
  await as(lender.owner, "share.set", { collection: lender.collection, audience: "public", reach: "all" });
  const copy = newId();
  await as(world.editor, "shelves.borrow", { collection: lender.collection, team: world.team, copy });
  return { lender, world, copy };
}
const itemsOf = async ({ owner }: World, collection: string) =>
  (await as(owner, "collections.items", { collection })).items;
const creditsOf = async ({ viewer }: World, collection: string) =>
  (await as(viewer, "shelves.credits", { collection })).credits;
const offeredTo = async (world: World, collection: string) =>
  (await creditsOf(world, collection))[0]!.offered;
const answer = async (
  world: World,
  collection: string,
  how: { take?: string[]; leave?: string[]; asks?: boolean },
) => {
  const [credit] = await creditsOf(world, collection);
  return as(world.editor, "shelves.answer", { collection, credit: credit!.id, ...how });
};
const note = async ({ owner, team }: World, collection: string, text: string) => {
  const placement = newId();
  await as(owner, "capture.note", { team, text, collection, placement });
  return placement;
};

describe("A public collection taken with credit", () => {
  test("is an own copy of all its readers are shown, once, with from where it was taken", async () => {
    const { lender, world, copy } = await borrowed(async (lender) => {
      const { owner, team, collection } = lender;
      const inner = await as(owner, "collections.make", { team, title: "Inside", parent: collection });
      await note(lender, inner.collection.id, "Deep down");
      const hidden = await note(lender, collection, "Only for us");
      await as(owner, "placements.edit", { placement: hidden, forReaders: false });
    });
    const again = { collection: lender.collection, team: world.team, copy };
    await as(world.editor, "shelves.borrow", again);
    const tree = (await as(world.owner, "collections.tree", { team: world.team })).collections;
    const mine = [copy, null].flatMap((id) =>
      tree.filter((one) => (id ? one.id === id : one.parent === copy)),
    );
    expect(mine.map(({ title, audience }) => [title, audience])).toEqual([
      ["A collection", "team"],
      ["Inside", "team"],
    ]);
    const [there] = await itemsOf(lender, lender.collection);
    const items = await itemsOf(world, copy);
    expect(items.map(({ context, resource }) => [context, resource.title, resource.address])).toEqual([
      ["Read this first.", there!.resource.title, there!.resource.address],
    ]);
    expect(items[0]!.resource.id).not.toBe(there!.resource.id);
    expect(JSON.stringify(await itemsOf(world, mine[1]!.id))).toContain("Deep down");
    const [credit] = await creditsOf(world, copy);
    expect(credit).toMatchObject({ title: "A collection", asks: true, edition: null, offered: [] });
    expect(credit!.code).toEqual(expect.any(String));
    expect(await creditsOf(world, world.collection)).toEqual([]);
    // What is not public is not there to be taken.
    await as(lender.owner, "share.set", { collection: lender.collection, audience: "link" });
    await expect(as(world.editor, "shelves.borrow", { ...again, copy: newId() })).rejects.toMatchObject({
      kind: "not-found",
    });
    expect((await creditsOf(world, copy))[0]!.code).toBeNull();
  });

  test("has later changes offered by piece: taken with own words kept, left, offered anew, or never again", async () => {
    const { lender, world, copy } = await borrowed();
    const { owner, collection, placement } = lender;
    const [mine] = await itemsOf(world, copy);
    const write = (context: string) => as(owner, "placements.edit", { placement, context });
    await as(world.editor, "placements.edit", {
      placement: mine!.id,
      context: "Read this first. Then the map.",
    });
    expect(await offeredTo(world, copy)).toEqual([]);
    await write("Read this chapter first.");
    const came = await note(lender, collection, "A new thing");
    const offered = await offeredTo(world, copy);
    expect(offered.map((one) => [one.what, one.key])).toEqual([
      ["words", `${placement} context`],
      ["added", came],
    ]);
    const take = offered.map((one) => one.key);
    const { entry } = await answer(world, copy, { take });
    const contexts = async () => (await itemsOf(world, copy)).map((one) => one.context || one.resource.title);
    expect(await contexts()).toEqual(["Read this chapter first. Then the map.", "A new thing"]);
    expect(await offeredTo(world, copy)).toEqual([]);
    await as(world.editor, "history.undo", { team: world.team, entry });
    expect(await contexts()).toEqual(["Read this first. Then the map."]);

    await write("Read it last.");
    const [words] = await offeredTo(world, copy);
    expect(words).toMatchObject({
      now: "Read it last.",
      own: "Read this first. Then the map.",
      merged: null,
    });
    await answer(world, copy, { leave: [words!.key] });
    expect(await offeredTo(world, copy)).toEqual([]);
    await write("Read it twice.");
    expect(await offeredTo(world, copy)).toHaveLength(1);
    await answer(world, copy, { asks: false });
    expect(await offeredTo(world, copy)).toEqual([]);
    await answer(world, copy, { asks: true });
    await as(owner, "placements.remove", { placement });
    const [gone] = await offeredTo(world, copy);
    expect(gone).toMatchObject({ what: "gone", key: placement });
    await answer(world, copy, { take: [gone!.key] });
    expect(await contexts()).toEqual([]);
  });

  test("keeps from where it was taken, and hears of its lender, when it is merged with a twin", async () => {
    const { lender, world, copy } = await borrowed();
    const [item] = await itemsOf(world, copy);
    const address = `https://twin-${newId()}.example/`;
    const { resource } = await as(world.owner, "capture.address", { team: world.team, address });
    const merge = { resource: resource.id, gone: item!.resource.id };
    const { entry } = await as(world.owner, "duplicates.merge", merge);
    const merged = (await itemsOf(world, copy))[0]!;
    expect([merged.id, merged.credit, merged.resource.address]).toEqual([item!.id, item!.credit, address]);
    await as(lender.owner, "placements.edit", { placement: lender.placement, context: "Read this last." });
    expect(await offeredTo(world, copy)).toMatchObject([{ what: "words", now: "Read this last." }]);
    await as(world.owner, "history.undo", { team: world.team, entry });
    expect((await itemsOf(world, copy))[0]).toMatchObject({ id: item!.id, credit: item!.credit });
  });

  test("keeps from where it was taken wherever it goes: moved, duplicated, shown to readers, taken out as a file", async () => {
    const { lender, world, copy } = await borrowed();
    const [item] = await itemsOf(world, copy);
    const page = async (collection: string) => {
      const { code } = await as(world.owner, "share.set", { collection, audience: "link" });
      return new TextDecoder().decode((await readerPage({ code: code! }))!.bytes);
    };
    const said = /From “A collection” of [^<]+, \d{4}-\d\d-\d\d/g;
    expect((await page(copy)).match(said)).toHaveLength(1);
    await as(world.editor, "placements.move-many", { placements: [item!.id], collection: world.collection });
    expect((await page(world.collection)).match(said)).toHaveLength(1);
    const { collection: twin } = await as(world.editor, "collections.duplicate", {
      collection: world.collection,
      items: true,
    });
    expect((await itemsOf(world, twin.id)).map((one) => one.credit)).toContain(item!.credit);
    const out = async (format: "markdown" | "csv" | "json-ld") =>
      (await as(world.owner, "export.collection", { collection: twin.id, format })).content;
    expect((await out("markdown")).match(said)).toHaveLength(1);
    expect((await out("csv")).match(said)).toHaveLength(1);
    expect(await out("json-ld")).toContain('"isBasedOn"');
    // Out of the copy, it is not changed from there: only where it stands now.
    await as(lender.owner, "placements.edit", { placement: lender.placement, context: "Read this last." });
    expect(await offeredTo(world, copy)).toEqual([]);
    expect(await offeredTo(world, world.collection)).toHaveLength(1);
  });

  test("is taken in parts: items, or a section, each with its credit, once however often it is sent", async () => {
    const [lender, world] = [await makeWorld(), await makeWorld()];
    const second = await note(lender, lender.collection, "Second");
    await as(lender.owner, "placements.edit", { placement: lender.placement, context: "Read this first." });
    await as(lender.owner, "share.set", { collection: lender.collection, audience: "public", reach: "all" });
    const { parts } = await as(world.viewer, "shelves.read", { collection: lender.collection });
    const all = parts.flatMap((part) => part.items);
    expect(all.map((one) => one.id).sort()).toEqual([lender.placement, second].sort());
    const before = (await itemsOf(world, world.collection)).length;
    const ids = [newId()];
    const one = { collection: world.collection, from: lender.collection, items: [lender.placement], ids };
    const [{ entry }] = [await as(world.editor, "shelves.take", one)];
    await as(world.editor, "shelves.take", one);
    const items = await itemsOf(world, world.collection);
    expect(items).toHaveLength(before + 1);
    const taken = items.find((item) => item.id === ids[0])!;
    expect(taken).toMatchObject({ context: "Read this first." });
    expect((await creditsOf(world, world.collection)).map((credit) => credit.id)).toEqual([taken.credit]);
    // Of an item alone, what came beside it there is not offered; what is said of it is.
    await note(lender, lender.collection, "Third");
    await as(lender.owner, "placements.edit", { placement: lender.placement, context: "Read this last." });
    expect((await offeredTo(world, world.collection)).map((offer) => offer.what)).toEqual(["words"]);
    await as(world.editor, "history.undo", { team: world.team, entry });
    expect(await creditsOf(world, world.collection)).toEqual([]);

    const part = parts.find((each) => each.section)!;
    const many = Array.from({ length: 5 }, newId);
    await as(world.editor, "shelves.take", {
      collection: world.collection,
      ...{ from: lender.collection, part: part.section!, ids: many },
    });
    const sections = (await as(world.owner, "collections.read", { collection: world.collection })).sections;
    expect(sections.at(-1)!.title).toBe(part.title);
    await expect(
      as(world.editor, "shelves.take", { ...one, from: world.collection, ids: [newId()] }),
    ).rejects.toMatchObject({ kind: "not-found" });
    await expect(as(world.viewer, "shelves.take", { ...one, ids: [newId()] })).rejects.toMatchObject({
      kind: "not-allowed",
    });
  });
});
