import { eq } from "drizzle-orm";
import { describe, expect, test } from "vitest";
import { shareLink } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { readerPage } from "@/services/reader/reader-page";
import { newId } from "@/outside/random";
import { bringFile } from "./bring";
import { as, makeWorld } from "./world";

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const textOf = async (code: string) => {
  const page = await readerPage({ code });
  return page && new TextDecoder().decode(page.bytes);
};

test("a change shows on the kept page within a second, and an unchanged page stays the same bytes", async () => {
  const world = await makeWorld();
  const before = await readerPage({ code: world.code });
  expect((await readerPage({ code: world.code }))!.etag).toBe(before!.etag);
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
  expect(await readerPage({ code: world.code })).toBeNull();
  await expect(as(world.holder, "reader.read", { collection })).rejects.toMatchObject({ kind: "not-found" });
  expect((await as(editor, "share.set", { collection, audience: "public" })).code).toBe(world.code);
  const { code } = await as(editor, "share.renew", { collection });
  await wait(600);
  expect([await readerPage({ code: world.code }), (await readerPage({ code })) !== null]).toEqual([
    null,
    true,
  ]);
  await as(editor, "collections.remove", { collection });
  await wait(600);
  expect(await readerPage({ code })).toBeNull();
  await as(editor, "bin.restore-collection", { collection });
  expect(await readerPage({ code })).not.toBeNull();
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

describe("a course goes out as a course", () => {
  const make = async () => {
    const world = await makeWorld();
    const { editor, team, collection: course } = world;
    const inside = async (title: string, parent: string) =>
      (await as(editor, "collections.make", { team, title, parent })).collection.id;
    const unit = await inside("Unit 1", course);
    const weeks = [await inside("Week 1", unit), await inside("Week 2", unit)] as const;
    const put = async (collection: string, words: string) => {
      const address = `https://bog.example/${newId()}`;
      const { item } = await as(editor, "capture.address", { team, address, collection });
      await as(editor, "placements.edit", { placement: item!.id, context: words });
      return item!.id;
    };
    const [first, second] = [await put(weeks[0], "The first word"), await put(weeks[1], "The second word")];
    return { ...world, course, unit, weeks, first, second, put };
  };
  const page = async (code: string, part?: string) => {
    const found = await readerPage({ code, part });
    return found && new TextDecoder().decode(found.bytes);
  };

  test("with everything inside, its parts are read by its address, and close with it; by themselves they stay closed", async () => {
    const { editor, course, code, unit, weeks } = await make();
    expect(await page(code)).toContain("1 item<");
    expect(await page(code, weeks[0])).toBeNull();
    await as(editor, "share.set", { collection: course, audience: "link", reach: "all" });
    await wait(600);
    expect(await page(code)).toMatch(/1 unit, 2 weeks, 3 items/);
    const week = await page(code, weeks[1]);
    expect(week).toContain("The second word");
    expect(week).toMatch(new RegExp(`aria-label="Part of">.*?/in/${unit}">Unit 1</a>`));
    expect(week).toMatch(new RegExp(`rel="prev" href="/c/${code}/in/${weeks[0]}"`));
    await expect(as({ person: null, share: code }, "reader.read", { collection: weeks[0] })).resolves.toBeTruthy();
    await expect(as({ person: null, share: null }, "reader.read", { collection: weeks[0] })).rejects.toThrow();
    await as(editor, "share.set", { collection: course, audience: "team" });
    await wait(600);
    expect([await page(code), await page(code, weeks[0])]).toEqual([null, null]);
  }); // prettier-ignore

  test("whatever changes inside, or in who may see it, shows on every page above within a second", async () => {
    const { editor, course, code, unit, weeks, first, put } = await make();
    await as(editor, "share.set", { collection: course, audience: "link", reach: "all" });
    const pages = async () => [await page(code), await page(code, unit), await page(code, weeks[0])] as const;
    await pages();
    const third = await put(weeks[0], "A third word");
    await wait(1_000);
    for (const one of await pages()) expect(one).toMatch(/ 4 items|3 items|2 items/);
    expect((await pages())[2]).toContain("A third word");
    await as(editor, "placements.edit", { placement: third, forReaders: false });
    await as(editor, "collections.edit", { collection: weeks[1], title: "Week 2, and dams" });
    await wait(1_000);
    expect((await pages())[2]).not.toContain("A third word");
    for (const one of (await pages()).slice(0, 2)) expect(one).toContain("Week 2, and dams");
    await as(editor, "share.leave-out", { collection: weeks[0], out: true });
    await wait(1_000);
    expect(await page(code, weeks[0])).toBeNull();
    for (const one of (await pages()).slice(0, 2)) expect(one).not.toContain("Week 1");
    await as(editor, "share.leave-out", { collection: weeks[0], out: false });
    await as(editor, "collections.move", { collection: weeks[0], parent: null });
    await wait(1_000);
    expect(await page(code, weeks[0])).toBeNull();
    await as(editor, "placements.remove", { placement: first });
  }); // prettier-ignore

  test("a copy of a part is not shown before somebody says so, and its days end what is shared", async () => {
    const { editor, course, code, weeks } = await make();
    await as(editor, "share.set", { collection: course, audience: "public", reach: "all" });
    const { collection: copy } = await as(editor, "collections.duplicate", { collection: weeks[0], items: true });
    expect(await page(code, weeks[0])).toBeTruthy();
    expect(await page(code, copy.id)).toBeNull();
    await as(editor, "share.leave-out", { collection: copy.id, out: false });
    await wait(600);
    expect(await page(code, copy.id)).toContain("The first word");
    const until = new Date(Date.now() + 1_500).toISOString();
    await as(editor, "share.set", { collection: course, until });
    expect(await page(code)).toBeTruthy();
    await wait(2_100);
    expect(await page(code)).toBeNull();
    await expect(as({ person: null, share: code }, "reader.read", { collection: course })).rejects.toThrow();
  }); // prettier-ignore
});

test("another address can be taken back for a day, and then the old one leads there again", async () => {
  const { editor, collection, code } = await makeWorld();
  const { code: other } = await as(editor, "share.renew", { collection });
  await expect(as(editor, "share.renew", { collection: newId() })).rejects.toThrow();
  const back = await as(editor, "share.take-back", { collection });
  expect(back.code).toBe(code);
  await wait(600);
  expect([await textOf(code), await textOf(other)]).toEqual([expect.any(String), null]);
  await as(editor, "share.renew", { collection });
  await database()
    .update(shareLink)
    .set({ revokedAt: new Date(Date.now() - 25 * 3_600_000) })
    .where(eq(shareLink.code, code));
  await database()
    .update(shareLink)
    .set({ revokedAt: new Date(Date.now() - 25 * 3_600_000) })
    .where(eq(shareLink.code, other));
  await expect(as(editor, "share.take-back", { collection })).rejects.toMatchObject({ kind: "conflict" });
});

describe("a short code", () => {
  const knock = (code: string) => as({ person: null, share: null }, "codes.open", { code });

  test("leads to what it was made for, however it is written, until its day or its end", async () => {
    const { editor, collection, code } = await makeWorld();
    const { short } = await as(editor, "codes.make", { collection });
    expect(short).toMatch(/^[2-9b-df-hj-kmnp-tv-xz]{7}$/);
    // Who asks again has the same one: it stands on the wall.
    expect((await as(editor, "codes.make", { collection })).short).toBe(short);
    for (const way of [short, short.toUpperCase(), `${short.slice(0, 3)} ${short.slice(3)}`, ` ${short.slice(0, 3)}-${short.slice(3)} `])
      expect(await knock(way)).toEqual({ code, opens: "collection" });
    await as(editor, "codes.make", { collection, until: new Date(Date.now() + 60_000).toISOString() });
    expect(await knock(short)).toEqual({ code, opens: "collection" });
    await as(editor, "codes.end", { collection });
    await expect(knock(short)).rejects.toMatchObject({ kind: "not-found" });
    const { short: next } = await as(editor, "codes.make", { collection });
    expect(next).not.toBe(short);
    await as(editor, "share.set", { collection, audience: "team" });
    await expect(knock(next)).rejects.toMatchObject({ kind: "not-found" });
    await expect(as(editor, "codes.make", { collection })).rejects.toMatchObject({ kind: "conflict" });
  }); // prettier-ignore
});

test("of a lesson learners are given their side, also over the open interface and in an edition", async () => {
  const { editor, owner, team } = await makeWorld();
  const { collection } = await as(owner, "collections.make", { team, title: "How wet is wet?" });
  const { id } = collection;
  await as(editor, "collections.use", { collection: id, use: "lesson" });
  const [phase] = (await as(editor, "lessons.read", { collection: id })).phases;
  await as(editor, "sections.edit", {
    section: phase!.id,
    minutes: 12,
    teacher: "Say nothing",
    learners: "Measure",
  });
  const { code } = await as(editor, "share.set", { collection: id, audience: "link" });
  await as(editor, "editions.keep", { collection: id });
  const holder = { person: null, share: code };
  for (const asked of [{ collection: id }, { collection: id, edition: 1 }]) {
    const read = JSON.stringify(await as(holder, "reader.read", asked));
    expect([read.includes("Measure"), read.includes("Say nothing")]).toEqual([true, false]);
  }
  const own = await as(editor, "lessons.read", { collection: id });
  expect(own.phases[0]).toMatchObject({ minutes: 12, teacher: "Say nothing", learners: "Measure" });
  await expect(as(holder, "lessons.read", { collection: id })).rejects.toMatchObject({
    code: "not-signed-in",
  });
  // Used as a lesson once more, it gets no second set of phases.
  await as(editor, "collections.use", { collection: id, use: "" });
  await as(editor, "collections.use", { collection: id, use: "lesson" });
  expect((await as(editor, "lessons.read", { collection: id })).phases).toHaveLength(4);
});
