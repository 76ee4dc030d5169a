import { eq, inArray } from "drizzle-orm";
import sharp from "sharp";
import { beforeEach, describe, expect, test } from "vitest";
import { collection, placement, presence, resource, shareLink } from "@/data/schema";
import { emptyBin } from "@/jobs/empty-bin";
import { database } from "@/mechanism/changing";
import { readStored } from "@/outside/files";
import { newId } from "@/outside/random";
import { readerPage } from "@/services/reader/reader-page";
import { as, makeWorld, type World } from "./world";

let world: World;
beforeEach(async () => {
  world = await makeWorld();
});
const read = (id: string) => as(world.viewer, "collections.read", { collection: id });
const tree = async () => (await as(world.viewer, "collections.tree", { team: world.team })).collections;
const make = async (title: string, parent: string | null = null) =>
  (await as(world.editor, "collections.make", { team: world.team, title, parent })).collection.id;
const undo = () => as(world.editor, "history.undo", { team: world.team });

/** A course with a unit and a week in it, of everything a collection can hold. */
async function makeCourse() {
  const { editor, team } = world;
  const course = await make("Course");
  const unit = await make("Unit", course);
  const week = await make("Week", unit);
  await as(editor, "collections.edit", { collection: course, rich: "<p>For <strong>all</strong> of us</p>" });
  await as(editor, "collections.tag", { collection: course, tags: ["water table", "Year 10"] });
  const sections: string[] = [];
  for (const title of ["Before", "Then", "Gone"])
    sections.push((await as(editor, "sections.make", { collection: week, title })).section.id);
  await as(editor, "sections.edit", { section: sections[0]!, intro: "<p>Two by two</p>" });
  const items: string[] = [];
  for (const [i, section] of [null, ...sections, sections[0]].entries()) {
    const { item } = await as(editor, "capture.note", {
      team,
      text: `Note ${i} ${newId()}`,
      collection: week,
      section,
      look: i === 1 ? "text" : "item",
    });
    await as(editor, "placements.edit", { placement: item!.id, heading: `H${i}`, context: `Line ${i}` });
    items.push(item!.id);
  }
  await as(editor, "sections.remove", { section: sections[2]! });
  await as(editor, "placements.remove-many", { team, placements: [items[4]!] });
  await as(editor, "share.set", { collection: week, audience: "public" });
  return { course, unit, week };
}

/** What a collection shows, without what makes it itself. */
async function picture(id: string) {
  const { collection, sections, items } = await read(id);
  const names = new Map(sections.map((one) => [one.id, one.title]));
  return {
    tags: collection.tags.toSorted(),
    rich: collection.rich,
    sections: sections.map(({ title, intro, position }) => [title, intro, position]),
    items: items.map(({ section, position, heading, context, look, resource }) => [
      section && names.get(section), position, heading, context, look, resource.id,
    ]), // prettier-ignore
  };
}

describe("a collection made twice", () => {
  test("with its items it is the same through and through, but nobody outside sees it; undone in one step", async () => {
    const { course, unit, week } = await makeCourse();
    const before = await tree();
    const { collection: made } = await as(world.editor, "collections.duplicate", { collection: course, items: true });
    const after = await tree();
    const inside = (parent: string) => after.find((one) => one.parent === parent)!;
    const [unit2, week2] = [inside(made.id), inside(inside(made.id).id)];
    expect([made.title, unit2.title, week2.title]).toEqual(["Course (copy)", "Unit", "Week"]);
    for (const [old, fresh] of [[course, made.id], [unit, unit2.id], [week, week2.id]] as const)
      expect(await picture(fresh)).toEqual(await picture(old));
    expect((await picture(week2.id)).items).toHaveLength(3);
    expect((await read(week2.id)).collection).toMatchObject({ audience: "team", code: null });
    // It stands right behind the one it was made from.
    const top = after.filter((one) => one.parent === null).map((one) => one.id);
    expect(top.indexOf(made.id)).toBe(top.indexOf(course) + 1);
    // Another placement, not another thing; the words of one are not those of the other.
    const [item] = (await read(week2.id)).items;
    await as(world.editor, "placements.edit", { placement: item!.id, context: "Otherwise" });
    expect((await read(week)).items[0]!.context).toBe("Line 0");
    await undo();
    expect(await undo()).toMatchObject({ done: true });
    expect((await tree()).map((one) => one.id)).toEqual(before.map((one) => one.id));
  }); // prettier-ignore

  test("without items it has its sections and those inside, and no item", async () => {
    const { course } = await makeCourse();
    const { collection: made } = await as(world.editor, "collections.duplicate", { collection: course, items: false });
    const all = await tree();
    const unit = all.find((one) => one.parent === made.id)!;
    const { sections, items } = await read(all.find((one) => one.parent === unit.id)!.id);
    expect([sections.map((one) => one.title), items]).toEqual([["Before", "Then"], []]);
  }); // prettier-ignore

  test("one of a team of others, or one in the bin, cannot be", async () => {
    const other = await makeWorld();
    const foreign = { collection: other.collection, items: true };
    await expect(as(world.owner, "collections.duplicate", foreign)).rejects.toMatchObject({
      kind: "not-found",
    });
    await as(world.editor, "collections.remove", { collection: world.collection });
    const binned = { collection: world.collection, items: true };
    await expect(as(world.owner, "collections.duplicate", binned)).rejects.toMatchObject({
      kind: "not-found",
    });
  });
});

test("whatever becomes of a collection in the tree, its link leads to it", async () => {
  const { editor, collection: id, code } = world;
  const [a, b] = [await make("A"), await make("B")];
  const shown = async () => (await readerPage({ code })) !== null;
  for (const [name, input] of [
    ["collections.move", { collection: id, parent: a }],
    ["collections.move", { collection: a, parent: b }],
    ["collections.edit", { collection: id, title: "Another title" }],
    ["collections.put-away", { collection: b, away: true }],
    ["collections.put-away", { collection: id, away: true }],
  ] as const) {
    await as(editor, name, input);
    expect(await shown(), name).toBe(true);
  }
  await as(editor, "collections.remove", { collection: b });
  await expect.poll(shown).toBe(false);
  await as(editor, "bin.restore-collection", { collection: b });
  await expect.poll(shown).toBe(true);
  expect((await tree()).map(({ title, parent }) => [title, parent])).toEqual(
    expect.arrayContaining([["Another title", a], ["A", b], ["B", null]]), // prettier-ignore
  );
});

test("what is put away is out of the way of the Desk, in its place in the tree, and back again", async () => {
  const shown = async () =>
    (await as(world.viewer, "collections.covers", { team: world.team })).collections.map((one) => one.id);
  await as(world.editor, "collections.put-away", { collection: world.collection, away: true });
  expect(await shown()).not.toContain(world.collection);
  expect((await tree()).find((one) => one.id === world.collection)).toMatchObject({ away: true });
  expect((await read(world.collection)).items).toHaveLength(1);
  await undo();
  expect(await shown()).toContain(world.collection);
});

test("who has a collection open is known until they leave or say nothing for 45 seconds", async () => {
  const { collection: id, editor, owner, viewer, holder } = world;
  const here = async (who: typeof editor, leave?: boolean) =>
    (await as(who, "collections.be-here", { collection: id, leave })).people.map((one) => one.name);
  expect(await here(editor)).toEqual([]);
  expect(await here(owner)).toEqual(["editor"]);
  expect(await here(viewer)).toEqual(["editor", "owner"]);
  await here(owner, true);
  expect(await here(viewer)).toEqual(["editor"]);
  const at = new Date(Date.now() - 46_000);
  await database().update(presence).set({ seenAt: at }).where(eq(presence.person, editor.person!.id));
  expect(await here(viewer)).toEqual([]);
  await expect(here(holder)).rejects.toMatchObject({ kind: "not-signed-in" });
});

describe("a cover", () => {
  const png = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: "#3c6a37" } }).png().toBuffer(); // prettier-ignore
  const set = (picture: Buffer) =>
    as(world.editor, "collections.cover", {
      collection: world.collection,
      picture: picture.toString("base64"),
    });

  test("from a file is kept small and clean, shown to readers, and taken back", async () => {
    const { coverHash } = await set(await png(3_000, 1_200));
    const { format, width, exif } = await sharp((await readStored(coverHash))!).metadata();
    expect([format, exif, width! <= 1_200]).toEqual(["webp", undefined, true]);
    expect((await read(world.collection)).collection.coverHash).toBe(coverHash);
    await expect
      .poll(async () => new TextDecoder().decode((await readerPage({ code: world.code }))!.bytes))
      .toContain(coverHash);
    await undo();
    expect((await read(world.collection)).collection.coverHash).toBeNull();
  });

  test("that is no picture is said beside its field", async () => {
    for (const file of [Buffer.from("no picture"), Buffer.from("<svg xmlns='http://www.w3.org/2000/svg'"), Buffer.alloc(0)])
      await expect(set(file)).rejects.toMatchObject({ kind: "not-valid", errors: [{ field: "picture" }] });
  }); // prettier-ignore
});

test("the bin keeps for 30 days; then what was in it is gone, and nothing else", async () => {
  const { editor, team } = world;
  const [old, recent] = [await make("Old"), await make("Recent")];
  const place = async (id: string) =>
    (await as(editor, "capture.note", { team, text: newId(), collection: id })).item!.id;
  const inOld = await place(old);
  const kept = await place(recent);
  await as(editor, "share.set", { collection: old, audience: "link" });
  await as(editor, "collections.remove", { collection: old });
  await as(editor, "collections.remove", { collection: recent });
  const ago = (days: number) => ({ deletedAt: new Date(Date.now() - days * 86_400_000) });
  await database().update(collection).set(ago(31)).where(eq(collection.id, old));
  await database().update(collection).set(ago(29)).where(eq(collection.id, recent));
  await emptyBin.run({});
  const rows = async (ids: string[]) =>
    (await database().select({ id: collection.id }).from(collection).where(inArray(collection.id, ids))).map(
      (row) => row.id,
    );
  expect(await rows([old, recent, world.collection])).toEqual(
    expect.arrayContaining([recent, world.collection]),
  );
  expect(await rows([old])).toEqual([]);
  expect(await database().select().from(shareLink).where(eq(shareLink.collection, old))).toEqual([]);
  const items = await database()
    .select({ id: placement.id })
    .from(placement)
    .where(inArray(placement.id, [inOld, kept]));
  expect(items).toEqual([{ id: kept }]);
  // The things themselves stay in the catalogue.
  expect(await database().$count(resource, eq(resource.team, team))).toBe(3);
  await as(editor, "bin.restore-collection", { collection: recent });
  expect((await read(recent)).items.map((item) => item.id)).toEqual([kept]);
});
