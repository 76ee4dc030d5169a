import { expect, test } from "vitest";
import { newId } from "@/outside/random";
import { teamFed } from "./public";
import { as, makeWorld, type World } from "./world";

/** Somebody's public collection, an own copy of it in another team, and the item in both. */
async function borrowed() {
  const [lender, world] = [await makeWorld(), await makeWorld()];
  await as(lender.owner, "placements.edit", { placement: lender.placement, context: "Theirs." });
  await as(lender.owner, "share.set", { collection: lender.collection, audience: "public", reach: "all" });
  const copy = newId();
  await as(world.editor, "shelves.borrow", { collection: lender.collection, team: world.team, copy });
  const { items } = await as(world.owner, "collections.items", { collection: copy });
  return { lender, world, copy, item: items[0]!.id };
}
const waiting = async ({ owner, collection }: World) =>
  (await as(owner, "suggestions.read", { collection })).waiting;
const contextOf = async ({ owner, collection, placement }: World) =>
  (await as(owner, "collections.items", { collection })).items.find((one) => one.id === placement)!.context;
const give = (world: World, placement: string, suggestion = newId()) =>
  as(world.editor, "shelves.give-back", { placement, suggestion });

test("a better context line is given back as a suggestion, taken by its lender, and told to who gave it", async () => {
  const { lender, world, item } = await borrowed();
  await expect(give(world, item)).rejects.toMatchObject({ code: "nothing-to-give-back" });
  await as(world.owner, "placements.edit", { placement: item, context: "Ours, with the page it is on." });
  // What leaves the team is decided by who may publish.
  await expect(
    as(world.contributor, "shelves.give-back", { placement: item, suggestion: newId() }),
  ).rejects.toMatchObject({ kind: "not-allowed" });
  const id = newId();
  await Promise.all([give(world, item, id), give(world, item, id)]);
  await give(world, item, id);
  // Pressed again while it waits, with the same words, it is the same one.
  expect(await give(world, item)).toMatchObject({ given: id });
  const [one, ...more] = await waiting(lender);
  expect(more).toEqual([]);
  expect(one).toMatchObject({
    kind: "words",
    text: "Ours, with the page it is on.",
    now: "Theirs.",
    betters: lender.placement,
  });
  // They are told which team gives it, and nothing else of it.
  expect(JSON.stringify(one)).not.toContain(item);
  expect((await as(lender.owner, "notices.read", {})).notices).toMatchObject([
    { kind: "suggested", many: 1 },
  ]);

  const { entry } = await as(lender.editor, "suggestions.accept", {
    collection: lender.collection,
    suggestions: [id],
    word: "Thank you",
  });
  expect(await contextOf(lender)).toBe("Ours, with the page it is on.");
  expect((await as(world.viewer, "shelves.given", { placement: item })).given).toMatchObject({
    ...{ state: "accepted", word: "Thank you" },
  });
  await as(lender.editor, "history.undo", { team: lender.team, entry });
  expect(await contextOf(lender)).toBe("Theirs.");
  expect(await waiting(lender)).toHaveLength(1);
  // What it is about may be gone by then.
  await as(lender.owner, "placements.remove", { placement: lender.placement });
  await as(lender.editor, "suggestions.accept", { collection: lender.collection, suggestions: [id] });
  expect((await as(world.viewer, "shelves.given", { placement: item })).given).toMatchObject({
    state: "declined",
  });
});

test("an item they do not have is given back to where it stands; who is given nothing more takes nothing more", async () => {
  const { lender, world, copy } = await borrowed();
  const address = `https://fen-${newId()}.example/`;
  const { item } = await as(world.editor, "capture.address", { team: world.team, address, collection: copy });
  await as(world.editor, "placements.edit", { placement: item!.id, context: "It measures the same." });
  await give(world, item!.id);
  const [one] = await waiting(lender);
  expect(one).toMatchObject({ kind: "address", address, why: "It measures the same." });
  await as(lender.editor, "suggestions.accept", { collection: lender.collection, suggestions: [one!.id] });
  const { items } = await as(lender.owner, "collections.items", { collection: lender.collection });
  expect(items.at(-1)!.resource.address).toBe(address);
  // They have it now, with what was said of it.
  await as(world.editor, "placements.edit", { placement: item!.id, context: "It measures twice the same." });

  await expect(as(lender.contributor, "suggestions.block", { suggestion: one!.id })).rejects.toMatchObject({
    kind: "not-allowed",
  });
  await as(lender.editor, "suggestions.block", { suggestion: one!.id });
  await expect(give(world, item!.id)).rejects.toMatchObject({ code: "takes-nothing-back" });
  const { blocked } = await as(lender.owner, "suggestions.read", { collection: lender.collection });
  expect(blocked).toMatchObject([{ other: world.team }]);
  await as(lender.editor, "suggestions.unblock", { team: lender.team, other: world.team });
  await give(world, item!.id);
  // What is public no more is given nothing.
  await as(lender.owner, "share.set", { collection: lender.collection, audience: "team" });
  await expect(give(world, item!.id)).rejects.toMatchObject({ kind: "not-found" });
  const own = await as(world.owner, "capture.note", {
    team: world.team,
    text: "x",
    collection: world.collection,
  });
  await expect(give(world, own.item!.id)).rejects.toMatchObject({ kind: "not-found" });
});

test("a link that was mended is given back, and leads there once it is taken: with its words, tags and place", async () => {
  const { lender, world, copy, item } = await borrowed();
  const moved = `https://moved-${newId()}.example/here`;
  const wanted = { placement: item, address: moved };
  await expect(
    as(world.editor, "placements.relink", { ...wanted, address: "no address" }),
  ).rejects.toMatchObject({
    errors: [expect.objectContaining({ field: "address" })],
  });
  const { entry } = await as(world.editor, "placements.relink", wanted);
  const mine = async () =>
    (await as(world.owner, "collections.items", { collection: copy })).items.find((one) => one.id === item)!;
  expect(await mine()).toMatchObject({ context: "Theirs.", resource: { address: moved } });
  // Taken back it leads where it led; and on again.
  await as(world.editor, "history.undo", { team: world.team, entry });
  expect((await mine()).resource.address).not.toBe(moved);
  await as(world.editor, "history.redo", { team: world.team });
  await give(world, item);

  const tag = `t${newId().slice(-8)}`;
  await as(lender.owner, "tags.add", { resource: lender.resource, tags: [tag] });
  const [one] = await waiting(lender);
  const before = one!.now;
  await teamFed(lender.team);
  expect(one).toMatchObject({ kind: "link", address: moved, betters: lender.placement });
  await as(lender.editor, "suggestions.accept", { collection: lender.collection, suggestions: [one!.id] });
  const { items } = await as(lender.owner, "collections.items", { collection: lender.collection });
  const there = items.find((each) => each.id === lender.placement)!;
  expect(there).toMatchObject({ context: "Theirs.", resource: { address: moved, tags: [tag] } });
  expect(before).not.toBe(moved);
  // What is so already is given no more; and what was said is found at the new page, not at the old.
  await expect(give(world, item)).rejects.toMatchObject({ code: "nothing-to-give-back" });
  await teamFed(lender.team);
  const found = async (query: string) =>
    (await as(lender.owner, "search.find", { team: lender.team, query })).results.map((each) => each.address);
  expect(await found("theirs")).toEqual([moved]);
});
