import { eq } from "drizzle-orm";
import { describe, expect, test } from "vitest";
import { event } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { as, guestOf, makeWorld, somebody, type World } from "./world";

const say = (
  world: World,
  who: World["owner"],
  words: string,
  more: { placement?: string; section?: string; thread?: string; comment?: string } = {},
) => as(who, "comments.add", { collection: world.collection, words, ...more });
const read = async ({ viewer, collection }: World) =>
  (await as(viewer, "comments.of-collection", { collection })).comments;

describe("what is said", () => {
  test("about an item, a section and the whole, by whoever sees it, and heard in its collection", async () => {
    const world = await makeWorld();
    const { viewer, owner, placement, section } = world;
    await say(world, owner, "Is this still so?", { placement });
    await say(world, viewer, "Too much for an hour.", { section });
    const { comment } = await say(world, viewer, "Thank you for this.");
    expect(await read(world)).toMatchObject([
      { words: "Is this still so?", placement, section: null, by: { id: owner.person!.id } },
      { words: "Too much for an hour.", placement: null, section },
      { words: "Thank you for this.", placement: null, section: null, settledAt: null, editedAt: null },
    ]);
    expect(await database().select().from(event).where(eq(event.subject, comment.id))).toMatchObject([
      { verb: "comments.add", collection: world.collection },
    ]);
    const stranger = await somebody("elsewhere");
    await expect(
      as(stranger, "comments.of-collection", { collection: world.collection }),
    ).rejects.toMatchObject({ code: "not-found" });
    await expect(as(stranger, "comments.remove", { comment: comment.id })).rejects.toMatchObject({
      code: "not-found",
    });
  });

  test("is answered in its thread, settled, and opened again by an answer", async () => {
    const world = await makeWorld();
    const { viewer, owner, contributor, placement } = world;
    const { comment: first } = await say(world, owner, "Is this still so?", { placement });
    await expect(as(viewer, "comments.settle", { comment: first.id, settled: true })).rejects.toMatchObject({
      code: "not-allowed",
    });
    await as(contributor, "comments.settle", { comment: first.id, settled: true });
    expect((await read(world))[0]!.settledAt).not.toBeNull();
    const { comment: answer } = await say(world, viewer, "No longer.", { thread: first.id });
    expect(await read(world)).toMatchObject([
      { id: first.id, settledAt: null },
      { id: answer.id, thread: first.id, placement },
    ]);
    // There is one level of answers, and one collection to a thread.
    await expect(say(world, owner, "Really?", { thread: answer.id })).rejects.toMatchObject({
      code: "not-found",
    });
    const { collection: other } = await as(owner, "collections.make", { team: world.team, title: "Other" });
    await expect(
      as(owner, "comments.add", { collection: other.id, words: "Really?", thread: first.id }),
    ).rejects.toMatchObject({ code: "not-found" });
    await expect(
      as(owner, "comments.add", { collection: other.id, words: "Really?", placement }),
    ).rejects.toMatchObject({ code: "not-found" });
  });

  test("is changed by who said it alone, taken back by them or an editor, and its answers stay", async () => {
    const world = await makeWorld();
    const { viewer, editor, contributor } = world;
    const { comment } = await say(world, viewer, "Too long.");
    await say(world, contributor, "By how much?", { thread: comment.id });
    await expect(as(editor, "comments.edit", { comment: comment.id, words: "Fine." })).rejects.toMatchObject({
      code: "not-allowed",
    });
    await as(viewer, "comments.edit", { comment: comment.id, words: "Too long by half." });
    expect((await read(world))[0]).toMatchObject({ words: "Too long by half.", editedAt: expect.any(Date) });
    await expect(as(contributor, "comments.remove", { comment: comment.id })).rejects.toMatchObject({
      code: "not-allowed",
    });
    await as(editor, "comments.remove", { comment: comment.id });
    expect(await read(world)).toMatchObject([{ gone: true, words: "" }, { words: "By how much?" }]);
    // Twice is once, and undo brings the words back.
    await as(editor, "comments.remove", { comment: comment.id });
    await as(editor, "history.undo", { team: world.team });
    expect((await read(world))[0]).toMatchObject({ gone: false, words: "Too long by half." });
  });

  test("is said once when it is sent twice, and taken back with what it settled", async () => {
    const world = await makeWorld();
    const { owner, editor } = world;
    const comment = newId();
    await say(world, owner, "Once.", { comment });
    await say(world, owner, "Once.", { comment });
    await expect(say(world, editor, "Mine.", { comment })).rejects.toMatchObject({ code: "id-taken" });
    expect(await read(world)).toHaveLength(1);
    await as(owner, "comments.settle", { comment, settled: true });
    await as(owner, "history.undo", { team: world.team });
    expect((await read(world))[0]!.settledAt).toBeNull();
    await as(owner, "history.redo", { team: world.team });
    expect((await read(world))[0]!.settledAt).not.toBeNull();
  });

  test("goes with its item to another collection, and not into a copy of the collection", async () => {
    const world = await makeWorld();
    const { owner, viewer } = world;
    const { placement } = world;
    await say(world, owner, "Move it?", { placement });
    const { collection: copy } = await as(owner, "collections.duplicate", {
      collection: world.collection,
      items: true,
    });
    expect((await as(viewer, "comments.of-collection", { collection: copy.id })).comments).toEqual([]);
    const { collection: other } = await as(owner, "collections.make", { team: world.team, title: "Other" });
    await as(owner, "placements.move-many", { placements: [placement], collection: other.id });
    expect(await read(world)).toEqual([]);
    expect((await as(viewer, "comments.of-collection", { collection: other.id })).comments).toMatchObject([
      { words: "Move it?" },
    ]);
  });
});

test("something is said about a mark at its item: with its words as long as all see it, and of a private one nothing", async () => {
  const { owner, editor, viewer, team, collection, placement, resource } = await makeWorld();
  const marked = async (isPrivate: boolean) =>
    (
      await as(editor, "marks.add", {
        ...{
          resource,
          private: isPrivate,
          note: "see",
          selector: { type: "TextQuoteSelector", exact: "peat keeps" },
        },
      })
    ).mark.id;
  const [mark, own] = [await marked(false), await marked(true)];
  const say = (more: object) => as(viewer, "comments.add", { collection, words: "Is it so?", ...more });
  const { comment } = await say({ placement, mark });
  expect(comment).toMatchObject({ placement, mark, quote: "peat keeps" });
  await expect(say({ placement, mark: own })).rejects.toMatchObject({ kind: "not-found" });
  await expect(say({ mark })).rejects.toMatchObject({ kind: "not-found" });
  const read = async () =>
    (await as(owner, "comments.of-collection", { collection })).comments.find((one) => one.id === comment.id);
  // Who reads the text sees it there too, of the collections they see.
  const other = (await as(owner, "collections.make", { team, title: "Elsewhere" })).collection.id;
  const there = (await as(editor, "placements.add", { collection: other, resource })).item!.id;
  await as(owner, "comments.add", { collection: other, placement: there, mark, words: "And there?" });
  const guest = await guestOf(owner, other, "viewer");
  const inText = async (who: World["owner"]) =>
    (await as(who, "comments.on-marks", { resource })).comments.map((one) => [
      one.title,
      one.words,
      one.mark,
    ]);
  const here = ["A collection", "Is it so?", mark];
  const elsewhere = ["Elsewhere", "And there?", mark];
  expect(await inText(viewer)).toEqual([here, elsewhere]);
  expect(await inText(guest)).toEqual([elsewhere]);
  await as(editor, "marks.set-private", { mark, private: true });
  expect(await inText(editor)).toEqual([]);
  expect(await read()).toMatchObject({ mark, quote: null, words: "Is it so?" });
  await as(editor, "marks.set-private", { mark, private: false });
  await as(editor, "marks.remove", { mark });
  expect(await read()).toMatchObject({ mark, quote: null, words: "Is it so?" });
});
