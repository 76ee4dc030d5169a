import { describe, expect, test } from "vitest";
import { newId } from "@/outside/random";
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
const offeredTo = async ({ viewer }: World, collection: string) =>
  (await as(viewer, "shelves.credit", { collection })).offered;
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
    const { credit, offered } = await as(world.viewer, "shelves.credit", { collection: copy });
    expect(credit).toMatchObject({ title: "A collection", asks: true });
    expect([credit!.code, offered]).toEqual([expect.any(String), []]);
    expect(await as(world.viewer, "shelves.credit", { collection: world.collection })).toEqual({
      ...{ credit: null, offered: [] },
    });
    // What is not public is not there to be taken.
    await as(lender.owner, "share.set", { collection: lender.collection, audience: "link" });
    await expect(as(world.editor, "shelves.borrow", { ...again, copy: newId() })).rejects.toMatchObject({
      kind: "not-found",
    });
    expect((await as(world.viewer, "shelves.credit", { collection: copy })).credit!.code).toBeNull();
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
    const { entry } = await as(world.editor, "shelves.answer", { collection: copy, take });
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
    await as(world.editor, "shelves.answer", { collection: copy, leave: [words!.key] });
    expect(await offeredTo(world, copy)).toEqual([]);
    await write("Read it twice.");
    expect(await offeredTo(world, copy)).toHaveLength(1);
    await as(world.editor, "shelves.answer", { collection: copy, asks: false });
    expect(await offeredTo(world, copy)).toEqual([]);
    await as(world.editor, "shelves.answer", { collection: copy, asks: true });
    await as(owner, "placements.remove", { placement });
    const [gone] = await offeredTo(world, copy);
    expect(gone).toMatchObject({ what: "gone", key: placement });
    await as(world.editor, "shelves.answer", { collection: copy, take: [gone!.key] });
    expect(await contexts()).toEqual([]);
  });
});
