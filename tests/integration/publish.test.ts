import { expect, test } from "vitest";
import { readerPage } from "@/services/reader/reader-page";
import { newId } from "@/outside/random";
import { bringFile } from "./bring";
import { as, makeWorld } from "./world";

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const textOf = async (code: string) => {
  const page = await readerPage(code, null);
  return page && new TextDecoder().decode(page.bytes);
};

test("a change shows on the kept page within a second, and an unchanged page stays the same bytes", async () => {
  const world = await makeWorld();
  const before = await readerPage(world.code, null);
  expect((await readerPage(world.code, null))!.etag).toBe(before!.etag);
  await as(world.editor, "placements.edit", {
    placement: world.placement,
    context: "Read <this> & that first",
  });
  await wait(1_000);
  expect(await textOf(world.code)).toContain("Read &lt;this&gt; &amp; that first");
  await as(world.editor, "resources.edit", { resource: world.resource, title: "Another title" });
  await as(world.editor, "tags.add", { resource: world.resource, tags: ["water table"] });
  await wait(1_000);
  expect(await textOf(world.code)).toContain("Another title");
});

test("stopping, renewing and deleting end a link; sharing again brings the same one back", async () => {
  const world = await makeWorld();
  const { collection, editor } = world;
  await as(editor, "share.set", { collection, audience: "team" });
  await wait(600);
  expect(await readerPage(world.code, null)).toBeNull();
  await expect(as(world.holder, "reader.read", { collection })).rejects.toMatchObject({ kind: "not-found" });
  expect((await as(editor, "share.set", { collection, audience: "public" })).code).toBe(world.code);
  const { code } = await as(editor, "share.renew", { collection });
  await wait(600);
  expect([await readerPage(world.code, null), (await readerPage(code, null)) !== null]).toEqual([null, true]);
  await as(editor, "collections.remove", { collection });
  await wait(600);
  expect(await readerPage(code, null)).toBeNull();
  await as(editor, "bin.restore-collection", { collection });
  expect(await readerPage(code, null)).not.toBeNull();
});

test("what leaves as a bookmark file comes back: folders, sections, tags, dates, headings, context lines", async () => {
  const world = await makeWorld();
  const { owner, team } = world;
  const { collection } = await as(owner, "collections.make", {
    team,
    title: "To & fro <1>",
    description: "Two lines\nof it",
  });
  const { collection: inner } = await as(owner, "collections.make", {
    team,
    title: "Inner",
    parent: collection.id,
  });
  const { section } = await as(owner, "sections.make", { collection: collection.id, title: "Before you go" });
  const put = async (into: string, sectionId: string | null, heading: string, context: string) => {
    const address = `https://bog.example/${newId()}?a=1&b="2"`;
    const { item } = await as(owner, "capture.address", {
      team,
      address,
      collection: into,
      section: sectionId,
    });
    await as(owner, "placements.edit", { placement: item!.id, heading, context });
    await as(owner, "tags.add", { resource: item!.resource.id, tags: ["water table", "Élan"] });
  };
  await put(collection.id, null, "", "First of all");
  await put(collection.id, section.id, "Our heading", "Watch this\nbefore the practical");
  await put(collection.id, section.id, "", "");
  await put(inner.id, null, "", "In the inner one");
  const file = await as(owner, "export.collection", { collection: collection.id, format: "bookmarks" });

  const other = await makeWorld();
  const brought = await bringFile(other.owner, { team: other.team }, "bookmarks.html", file.content);
  expect(brought.import).toMatchObject({ made: 4, rejected: 0 });
  const again = await as(other.owner, "export.collection", {
    collection: brought.opens!,
    format: "bookmarks",
  });
  const timeless = (text: string) => text.replace(/LAST_MODIFIED="\d+"/g, "");
  expect(timeless(again.content)).toBe(timeless(file.content));

  const references = await as(owner, "export.collection", { collection: collection.id, format: "bibtex" });
  expect(references.content.match(/^@/gm)).toHaveLength(4);
  const markdown = await as(owner, "export.collection", { collection: collection.id, format: "markdown" });
  expect(markdown.content).toContain("# To &amp; fro".replace("&amp;", "\\&"));
  expect(markdown.content).toMatch(/## Before you go\n\n2\. \[Our heading\]\(<https:/);
});

test("deleting can be undone: an item, a section with its items, a collection with those inside", async () => {
  const world = await makeWorld();
  const { editor, team, collection, section } = world;
  const address = `https://bog.example/${newId()}`;
  const { item } = await as(editor, "capture.address", { team, address, collection, section });
  const look = async () => (await as(editor, "collections.read", { collection })).items.map((one) => one.id);
  const before = await look();
  await as(editor, "placements.remove", { placement: item!.id });
  expect(await look()).toEqual([world.placement]);
  await as(editor, "bin.restore-placement", { placement: item!.id });
  expect(await look()).toEqual(before);
  await as(editor, "sections.remove", { section });
  expect(await look()).toEqual([world.placement]);
  expect((await as(editor, "bin.read", { team })).items.map((one) => one.what)).toContain("section");
  await as(editor, "bin.restore-section", { section });
  expect(await look()).toEqual(before);
  const { collection: inner } = await as(editor, "collections.make", {
    team,
    title: "Inner",
    parent: collection,
  });
  expect(await as(editor, "collections.remove", { collection })).toMatchObject({ inside: 1 });
  expect((await as(editor, "collections.tree", { team })).collections).toHaveLength(0);
  await as(editor, "bin.restore-collection", { collection });
  expect((await as(editor, "collections.tree", { team })).collections.map((one) => one.id).sort()).toEqual(
    [collection, inner.id].sort(),
  );
  await as(editor, "resources.remove", { resource: world.resource });
  expect(await look()).toEqual([item!.id]);
  await as(editor, "capture.address", { team, address: world.address });
  expect(await look()).toEqual(before);
});
