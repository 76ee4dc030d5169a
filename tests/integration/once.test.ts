import { eq } from "drizzle-orm";
import { expect, test } from "vitest";
import type { PageFacts } from "@/core/page/facts";
import { signatureOf, writeSignature } from "@/core/text/min-hash";
import { collection as collectionTable, resource, resourceText } from "@/data/schema";
import { fetchResource } from "@/jobs/fetch-resource";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import type { ActionName } from "@/services/registry";
import { fillResource, type Filling, proposeFilling } from "@/services/resources/fill";
import { as, makeWorld } from "./world";

const FACTS: PageFacts = {
  kind: "page",
  title: "The water table",
  description: null,
  siteName: null,
  licence: null,
  authors: [],
  published: null,
  language: "en",
  pictures: ["https://bog.example/1.jpg", "https://bog.example/2.jpg"],
  words: null,
  pages: null,
  seconds: null,
  player: null,
  canonical: null,
  oembed: null,
};
const TEXT = Array.from({ length: 120 }, (_, i) => `word${(i * 7) % 97} of the moor number ${i}`).join(" ");
const filling = (
  finalAddress: string,
  text: string,
  facts: Partial<PageFacts> = {},
): Filling & { ok: true } => {
  const signature = signatureOf(text);
  return {
    ok: true,
    facts: { ...FACTS, ...facts },
    finalAddress,
    picture: null,
    copy: { html: `<p>${text}</p>`, text, signature: signature ? writeSignature(signature) : "" },
    origin: "fetched",
  };
};
const row = async (id: string) => (await database().select().from(resource).where(eq(resource.id, id)))[0]!;

async function two(second: (address: string) => Filling & { ok: true }) {
  const world = await makeWorld();
  const bring = async (path: string, collection?: string) => {
    const address = `https://bog.example/${newId()}/${path}`;
    const { resource: card } = await as(world.owner, "capture.address", {
      team: world.team,
      address,
      collection,
    });
    return { id: card.id, address };
  };
  const a = await bring("a", world.collection);
  const b = await bring("b", world.collection);
  await fillResource(a.id, filling(a.address, TEXT));
  await fillResource(b.id, second(a.address));
  return { world, a, b };
}

test("near-equal words under another address, and a redirect to a known one, are noticed as twins", async () => {
  const near = await two(() => filling("https://copy.example/x", TEXT.replace("word7 ", "term7 ")));
  expect((await row(near.b.id)).duplicateOf).toBe(near.a.id);
  const moved = await two((address) => filling(`${address}?utm_source=x`, "short"));
  expect((await row(moved.b.id)).duplicateOf).toBe(moved.a.id);
  const other = await two(() => filling("https://copy.example/x", TEXT.split(" ").toReversed().join(" ")));
  expect((await row(other.b.id)).duplicateOf).toBeNull();
});

test("a known address is said to be here, can be placed again, and kept apart on purpose", async () => {
  const { contributor, team, address, collection } = await makeWorld();
  const known = await as(contributor, "capture.address", {
    team,
    address: `${address}?utm_source=x`,
    collection,
  });
  expect(known).toMatchObject({ already: true, places: [{ collection }] });
  expect(known.item).toBeUndefined();
  expect(
    (await as(contributor, "capture.address", { team, address, collection, again: true })).item,
  ).toBeDefined();
  const apart = await as(contributor, "capture.address", { team, address, collection, apart: true });
  expect(apart.already).toBe(false);
  expect(apart.resource.id).not.toBe(known.resource.id);
  await fillResource(apart.resource.id, filling(address, TEXT));
  expect((await row(apart.resource.id)).duplicateOf).toBeNull();
});

test("merging keeps every placement, tag and note and the better fields, and can be undone to the letter", async () => {
  const { world, a, b } = await two(() => filling("https://copy.example/x", TEXT));
  const { editor, collection, team } = world;
  await as(editor, "tags.add", { resource: a.id, tags: ["water"] });
  await as(editor, "tags.add", { resource: b.id, tags: ["water", "moss"] });
  await as(editor, "resources.edit", { resource: b.id, description: "Typed by hand", authors: ["Ada Mire"] });
  const { items } = await as(editor, "collections.read", { collection });
  const placed = items.find((item) => item.resource.id === b.id)!;
  await as(editor, "placements.edit", { placement: placed.id, context: "Read this second" });
  const look = async () =>
    JSON.stringify([
      (await as(editor, "collections.items", { collection })).items.map((item) => [
        item.id,
        item.context,
        item.resource.id,
        item.resource.title,
        item.resource.description,
        [...item.resource.tags].sort(),
      ]),
      (await row(a.id)).authors,
    ]);
  const before = await look();
  const { pairs } = await as(editor, "duplicates.read", { team });
  expect(pairs.map((pair) => [pair.newer.id, pair.older.id])).toEqual([[b.id, a.id]]);

  await as(editor, "duplicates.merge", { resource: a.id, gone: b.id });
  const after = (await as(editor, "collections.items", { collection })).items.filter(
    (item) => item.resource.id === a.id,
  );
  expect(after.map((item) => item.context).sort()).toEqual(["", "Read this second"]);
  expect(after[0]!.resource).toMatchObject({ description: "Typed by hand", authors: ["Ada Mire"] });
  expect([...after[0]!.resource.tags].sort()).toEqual(["moss", "water"]);
  expect((await as(editor, "duplicates.read", { team })).pairs).toEqual([]);

  expect(await as(editor, "history.undo", { team })).toMatchObject({ done: true });
  expect(await look()).toBe(before);
  await as(editor, "duplicates.keep-apart", { resource: b.id, other: a.id });
  expect((await as(editor, "duplicates.read", { team })).pairs).toEqual([]);
  await fillResource(b.id, filling("https://copy.example/x", TEXT));
  expect((await row(b.id)).duplicateOf).toBeNull();
});

test("what is sent twice is answered twice alike, is there once, and can be taken back once", async () => {
  const { editor, viewer, team, collection, resource } = await makeWorld();
  const address = `https://bog.example/${newId()}`;
  const sends: [ActionName, object][] = [
    ["capture.address", { team, address, collection, placement: newId() }],
    ["capture.address", { team, address, collection, placement: newId(), again: true }],
    ["capture.note", { team, text: "A note", collection, placement: newId() }],
    ["capture.page", { team, address: `${address}/page`, title: "A page", collection, placement: newId() }],
    ["capture.work", { team, type: "book", title: "A book", collection, placement: newId() }],
    ["placements.add", { collection, resource, placement: newId() }],
    ["placements.copy-many", { collection, resources: [resource], ids: [newId()] }],
    ["sections.make", { collection, title: "A part", section: newId() }],
    ["collections.make", { team, title: "A collection", collection: newId() }],
  ];
  const look = async () => JSON.stringify((await as(viewer, "collections.items", { collection })).items);
  for (const [name, input] of sends) {
    const { entry, ...first } = (await as(editor, name, input)) as { entry: string | null };
    const there = await look();
    const entries = (await as(editor, "history.read", { team })).entries.length;
    const { entry: second, ...again } = (await as(editor, name, input)) as { entry: string | null };
    expect(again, name).toEqual(first);
    expect(second, name).toBeNull();
    expect([await look(), (await as(editor, "history.read", { team })).entries.length]).toEqual([
      there,
      entries,
    ]);
    expect(entry, name).not.toBeNull();
  }
});

test("a merge taken back takes back the text it copied, but not one that has come there since", async () => {
  const merged = async () => {
    const { world, a, b } = await two(() => filling("https://copy.example/x", TEXT));
    await database().delete(resourceText).where(eq(resourceText.resource, a.id));
    const { entry } = await as(world.editor, "duplicates.merge", { resource: a.id, gone: b.id });
    const textOf = async (resource: string) => (await as(world.editor, "resources.text", { resource })).html;
    expect(await textOf(a.id)).toContain("word7 of the moor");
    const undo = () => as(world.editor, "history.undo", { team: world.team, entry });
    return { world, a, undo, textOf };
  };
  const one = await merged();
  // Something else was done in between.
  await as(one.world.editor, "tags.add", { resource: one.a.id, tags: ["moss"] });
  expect(await one.undo()).toMatchObject({ done: true });
  expect(await one.textOf(one.a.id)).toBeNull();
  const other = await merged();
  await as(other.world.editor, "resources.paste-text", { resource: other.a.id, text: "Written by hand" });
  expect(await other.undo()).toMatchObject({ done: false });
  expect(await other.textOf(other.a.id)).toContain("Written by hand");
});

test("a tag whose renaming is taken back is found by its old name, and readers see it", async () => {
  const { editor, viewer, team, resource, collection } = await makeWorld();
  await as(editor, "tags.add", { resource, tags: ["sphagnum"] });
  const [tag] = (await as(viewer, "tags.read", { team })).tags;
  const versionOf = async () =>
    (await database().select().from(collectionTable).where(eq(collectionTable.id, collection)))[0]!.version;
  const found = async (query: string) => (await as(viewer, "search.find", { team, query })).results.length;
  await as(editor, "tags.rename", { tag: tag!.id, name: "peat moss" });
  expect([await found("sphagnum"), await found("moss")]).toEqual([0, 1]);
  const before = await versionOf();
  expect(await as(editor, "history.undo", { team })).toMatchObject({ done: true });
  expect([await found("sphagnum"), await found("moss")]).toEqual([1, 0]);
  expect(await versionOf()).toBeGreaterThan(before);
});

test("fetched again, a page on which there is no text is one on which there is no text", async () => {
  const { world, a } = await two(() => filling("https://copy.example/z", "short"));
  await proposeFilling(a.id, { ...filling(a.address, TEXT, { title: "Theirs" }), copy: null });
  const { text, differences } = await as(world.editor, "resources.proposal", { resource: a.id });
  expect([text, differences.map((one) => one.field)]).toEqual([null, ["title"]]);
  await as(world.editor, "resources.take-proposal", { resource: a.id, fields: ["title", "text", "picture"] });
  expect((await row(a.id)).title).toBe("Theirs");
});

test("fetched again: what differs is shown, typed fields stay, only what is chosen is taken", async () => {
  const { world, a } = await two(() => filling("https://copy.example/y", "short"));
  const { editor } = world;
  await as(editor, "resources.edit", { resource: a.id, title: "Our own title" });
  await proposeFilling(
    a.id,
    filling(a.address, `${TEXT} and more of it`, {
      title: "Theirs",
      siteName: "Bog News",
      published: "2026-01-02",
    }),
  );
  expect((await row(a.id)).siteName).toBe("");
  const found = await as(editor, "resources.proposal", { resource: a.id });
  expect(found.differences).toEqual([
    { field: "title", before: "Our own title", after: "Theirs", typed: true },
    { field: "siteName", before: "", after: "Bog News", typed: false },
    { field: "published", before: "", after: "2026-01-02", typed: false },
  ]);
  expect(found.text!.after).toBeGreaterThan(found.text!.before);
  expect(found.pictures).toEqual(FACTS.pictures);
  await as(editor, "resources.take-proposal", { resource: a.id, fields: ["siteName", "text"] });
  expect(await row(a.id)).toMatchObject({ title: "Our own title", siteName: "Bog News", published: null });
  expect((await as(editor, "resources.text", { resource: a.id })).html).toContain("and more of it");

  await as(editor, "resources.paste-text", { resource: a.id, text: "Pasted by hand.\n\nA second part." });
  await fillResource(a.id, filling(a.address, TEXT));
  expect((await as(editor, "resources.text", { resource: a.id })).html).toContain("Pasted by hand.");
});

test("rules act or suggest when something comes in, say so on the item, and run over what is here with a look before", async () => {
  const { editor, team, collection, owner } = await makeWorld();
  const rule = { team, name: "To the reading list", host: "news.example", tags: ["news"], collection };
  const acting = newId();
  await as(editor, "rules.save", { ...rule, rule: acting, acts: true });
  const suggesting = newId();
  await as(editor, "rules.save", {
    team,
    rule: suggesting,
    name: "Carbon",
    word: "carbon",
    tags: ["carbon"],
    acts: false,
  });
  const { resource: card } = await as(owner, "capture.address", {
    team,
    address: `https://www.news.example/${newId()}`,
  });
  await fillResource(
    card.id,
    filling("https://www.news.example/x", "short", { title: "Why wet bogs keep their Carbón" }),
  );
  const { items } = await as(editor, "collections.items", { collection });
  const placed = items.find((item) => item.resource.id === card.id)!;
  expect(placed.resource.tags).toEqual(["news"]);
  const { resource: full } = await as(editor, "resources.read", { resource: card.id });
  expect(full.hits.map((hit) => [hit.rule, hit.state]).sort()).toEqual([
    ["Carbon", "suggested"],
    ["To the reading list", "done"],
  ]);
  const hit = full.hits.find((one) => one.state === "suggested")!;
  await as(editor, "rules.decide", { hit: hit.id, take: true });
  expect((await as(editor, "resources.read", { resource: card.id })).resource.tags).toEqual([
    "news",
    "carbon",
  ]);

  const later = newId();
  await as(editor, "rules.save", {
    team,
    rule: later,
    name: "All of it",
    host: "bog.example",
    tags: ["bog"],
    acts: false,
  });
  const preview = await as(editor, "rules.preview", { rule: later });
  expect(preview.count).toBe(1);
  expect(await as(editor, "rules.run", { rule: later })).toMatchObject({ done: 1, left: 0 });
  expect(await as(editor, "rules.run", { rule: later })).toMatchObject({ done: 0, left: 0 });
});

test("works by hand: identifiers checked, looked up, the same work once", async () => {
  const { contributor, team } = await makeWorld();
  const { reference } = await as(contributor, "references.look-up", {
    identifier: "https://doi.org/10.5555/peat.3",
  });
  expect(reference).toMatchObject({
    type: "article-journal",
    authors: ["Ama Okeri", "Jonas Petrik"],
    published: "2024-05",
  });
  await expect(as(contributor, "references.look-up", { identifier: "9780306406158" })).rejects.toMatchObject({
    errors: [{ field: "identifier", detail: "The check digit should be 7." }],
  });
  await expect(as(contributor, "references.look-up", { identifier: "10.5555/none" })).rejects.toMatchObject({
    kind: "not-found",
  });
  const work = {
    team,
    type: "book",
    title: "The wet and the dry",
    authors: ["Mira Aldous"],
    published: "1987",
    fields: { ISBN: "978-0-306-40615-7", publisher: "Heath Library Press" },
  };
  const first = await as(contributor, "capture.work", work);
  expect(first).toMatchObject({ already: false, resource: { kind: "document", published: "1987" } });
  const again = await as(contributor, "capture.work", {
    ...work,
    title: "The Wet and the Dry (2nd printing)",
  });
  expect(again).toMatchObject({ already: true, resource: { id: first.resource.id } });
  await expect(
    as(contributor, "capture.work", { ...work, fields: { ISSN: "2049-3631" } }),
  ).rejects.toMatchObject({ errors: [{ field: "ISSN" }] });
});

test("what is saved to a collection it stands in already is not placed there twice, whatever way it comes", async () => {
  const { contributor, team, collection } = await makeWorld();
  const spot = { team, collection };
  for (const [name, input] of [
    ["capture.page", { ...spot, address: "https://twice.example/a", title: "A" }],
    ["capture.note", { ...spot, text: "Bring the long spade." }],
    ["capture.work", { ...spot, type: "book", title: "The wet and the dry" }],
  ] as const) {
    const first = await as(contributor, name, input);
    const again = await as(contributor, name, input);
    expect([first.item !== undefined, again.item, again.already]).toEqual([true, undefined, true]);
    expect(again.places).toEqual([{ placement: first.item!.id, collection, title: "A collection" }]);
  }
});

test("a note given with a page is its context line where it gets a place, else it stays with the page; none is lost", async () => {
  const { contributor, team, collection } = await makeWorld();
  const page = { team, address: `https://noted.example/${newId()}` };
  const { resource: card } = await as(contributor, "capture.page", { ...page, note: "Ask Ines first" });
  await as(contributor, "capture.page", { ...page, note: "Dry since May" });
  const placed = await as(contributor, "capture.page", { ...page, collection, note: "Before the practical" });
  expect(placed.item!.context).toBe("Before the practical");
  await as(contributor, "capture.page", { ...page, collection, note: "Ask Ines first" });
  const { resource: full } = await as(contributor, "resources.read", { resource: card.id });
  expect(full.notes).toBe("Ask Ines first\n\nDry since May");
});

test("a page as somebody saw it: its text is kept, and stays when the site shows others less", async () => {
  const { contributor, team } = await makeWorld();
  const html = `<html><head><title>For members</title></head><body><nav>Menu</nav><article><h1>For members</h1>${`<p>${"Only those who are signed in can read how the sluice was mended. ".repeat(12)}</p>`.repeat(3)}</article></body></html>`;
  const { resource: card } = await as(contributor, "capture.page", {
    team,
    address: `https://members.example/${newId()}`,
    html,
    title: "How the sluice was mended",
    tags: ["sluice"],
  });
  const job = await import("@/data/schema").then(({ job }) =>
    database()
      .select()
      .from(job)
      .where(eq(job.uniqueKey, `resource.fetch:${card.id}`)),
  );
  await fetchResource.run(job[0]!.payload);
  expect(await row(card.id)).toMatchObject({ title: "How the sluice was mended", fetchState: "done" });
  const { html: copy, origin } = await as(contributor, "resources.text", { resource: card.id });
  expect(origin).toBe("seen");
  expect(copy).toContain("how the sluice was mended");
  expect(copy).not.toContain("Menu");
});
