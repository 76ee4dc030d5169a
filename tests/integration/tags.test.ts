import { beforeEach, describe, expect, test } from "vitest";
import { feedSome } from "@/services/search/feed";
import { as, makeWorld, type World } from "./world";

let world: World;
const made: string[] = [];
const ids = new Map<string, string>();
const uses = async () => {
  const { tags } = await as(world.viewer, "tags.read", { team: world.team });
  for (const tag of tags) ids.set(tag.name, tag.id);
  return Object.fromEntries(tags.map((tag) => [tag.name, tag.count]));
};
beforeEach(async () => {
  world = await makeWorld();
  made.length = 0;
  for (const tags of [["dam", "peat"], ["dams", "peat"], ["dam", "dams"], ["water table"]]) {
    const { resource } = await as(world.editor, "capture.note", {
      team: world.team,
      text: `A note with ${tags.join()} ${made.length}`,
    });
    await as(world.editor, "tags.add", { resource: resource.id, tags });
    made.push(resource.id);
  }
  await uses();
});
const undo = () => as(world.editor, "history.undo", { team: world.team });

describe("tags", () => {
  test("renamed everywhere; a name that is taken points to merging; undone", async () => {
    await as(world.editor, "tags.rename", { tag: ids.get("peat")!, name: "Turf" });
    expect(await uses()).toEqual({ dam: 2, dams: 2, Turf: 2, "water table": 1 });
    await expect(
      as(world.editor, "tags.rename", { tag: ids.get("dam")!, name: "DAMS" }),
    ).rejects.toMatchObject({ kind: "not-valid" });
    await undo();
    expect(await uses()).toMatchObject({ peat: 2 });
  });

  test("merged: every thing carries the one that stays, once; the preview says how many; undo brings both back", async () => {
    await as(world.editor, "collections.tag", { collection: world.collection, tags: ["dams", "course"] });
    const before = await uses();
    const merge = { tag: ids.get("dam")!, others: [ids.get("dams")!] };
    expect(await as(world.viewer, "tags.preview-merge", merge)).toEqual({ before: 2, after: 3 });
    await as(world.editor, "tags.merge", merge);
    expect(await uses()).toEqual({ dam: 3, peat: 2, "water table": 1, course: 0 });
    const about = async () =>
      (await as(world.viewer, "collections.read", { collection: world.collection })).collection.tags.sort();
    expect(await about()).toEqual(["course", "dam"]);
    await undo();
    expect(await uses()).toEqual(before);
    expect(await about()).toEqual(["course", "dams"]);
  });

  test("deleted and back again; a tag of another team cannot be merged in", async () => {
    const before = await uses();
    await as(world.editor, "tags.delete", { team: world.team, tags: [ids.get("peat")!, ids.get("dam")!] });
    expect(await uses()).toEqual({ dams: 2, "water table": 1 });
    await undo();
    expect(await uses()).toEqual(before);
    const other = await makeWorld();
    await as(other.owner, "tags.add", { resource: other.resource, tags: ["foreign"] });
    const foreign = (await as(other.owner, "tags.read", { team: other.team })).tags[0]!.id;
    await expect(
      as(world.editor, "tags.merge", { tag: ids.get("dam")!, others: [foreign] }),
    ).rejects.toMatchObject({ kind: "not-found" });
  });

  test("look-alikes, what stands beside, months", async () => {
    const { alike, months } = await as(world.viewer, "tags.tend", { team: world.team });
    expect(alike.map((pair) => [pair.keep.name, pair.other.name, pair.reason])).toEqual([
      ["dam", "dams", "plural"],
    ]);
    expect(months).toHaveLength(12);
    expect(months.at(-1)!.count).toBe(7);
    const look = await as(world.viewer, "tags.look", { tag: ids.get("dam")! });
    expect(look.beside.map((one) => [one.name, one.together, one.strength])).toEqual([
      ["dams", 1, 1 / 3],
      ["peat", 1, 1 / 3],
    ]);
  });

  test("suggested by the words of the name and by texts like it", async () => {
    for (let i = 0; i < 3; i++) {
      const { resource } = await as(world.editor, "capture.note", {
        team: world.team,
        text: `Curlew and snipe calling over the moor at dusk, recording ${i}`,
      });
      await as(world.editor, "tags.add", { resource: resource.id, tags: ["birds"] });
    }
    const { resource } = await as(world.editor, "capture.note", {
      team: world.team,
      text: "A curlew calling at dusk, and what the water table has to do with it",
    });
    while ((await feedSome(world.team)) > 0);
    const { tags } = await as(world.viewer, "tags.suggest", { resource: resource.id });
    expect(
      tags
        .map((tag) => tag.name)
        .slice(0, 2)
        .sort(),
    ).toEqual(["birds", "water table"]);
    expect(tags.find((tag) => tag.name === "birds")!.why).toContain("Texts like this");
  });
});
