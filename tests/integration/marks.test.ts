import { eq } from "drizzle-orm";
import { beforeEach, describe, expect, it } from "vitest";
import { textOfCopy } from "@/core/marks/text-of-copy";
import { quoteAt } from "@/core/marks/selectors";
import { event, job, mark, textVersion } from "@/data/schema";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { feedSome } from "@/services/search/feed";
import { placeMarks } from "@/services/marks/place";
import { actorOf } from "@/services/accounts/actor-of-request";
import { as, makeWorld, somebody, type World } from "./world";

const COPY = `<h2>Water</h2><p>Sphagnum holds twenty times its weight in water, and lets it go slowly.</p>
<p>The peat below it is older than any church in the valley; it grows a millimetre a year where nobody drains it.</p>`;

let world: World;
beforeEach(async () => {
  world = await makeWorld();
  await paste(COPY);
});

const paste = (html: string) =>
  as(world.editor, "resources.paste-text", { resource: world.resource, text: "x", html });
const read = (who: Actor) => as(who, "marks.of-resource", { resource: world.resource });
const versionNow = async () =>
  (await as(world.owner, "resources.text", { resource: world.resource })).number!;

async function markWords(who: Actor, words: string, more: object = {}) {
  const { html, number } = await as(who, "resources.text", { resource: world.resource });
  const text = textOfCopy(html!);
  const start = text.indexOf(words);
  const selector = { type: "TextQuoteSelector", ...quoteAt(text, start, start + words.length) };
  const where = { start, end: start + words.length, version: number };
  const about = { resource: world.resource, private: false, selector, ...where };
  return (await as(who, "marks.add", { ...about, ...more })).mark;
}
async function found(who: Actor, query: string): Promise<string[]> {
  while ((await feedSome(world.team)) > 0);
  return (await as(who, "search.find", { team: world.team, query })).results.map((one) => one.id);
}

describe("marks", () => {
  it("of the team are seen by the others and found by their words; private ones are nobody else's", async () => {
    const made = await markWords(world.contributor, "twenty times its weight", {
      note: "Ask about bergmehl",
    });
    expect(made).toMatchObject({ quote: "twenty times its weight", sure: 100, note: "Ask about bergmehl" });
    await markWords(world.viewer, "a millimetre a year", { note: "zirkonia", private: true });

    expect((await read(world.editor)).marks.map((one) => one.note)).toEqual(["Ask about bergmehl"]);
    expect((await read(world.viewer)).marks.map((one) => one.note)).toEqual([
      "Ask about bergmehl",
      "zirkonia",
    ]);
    expect(await found(world.viewer, "bergmehl")).toEqual([world.resource]);
    // Every other role searches for what one person alone has written, by the whole word, its beginning and the filter.
    for (const who of [world.owner, world.editor, world.contributor])
      for (const query of ["zirkonia", "zirk", "marked:me zirkonia", "zirkonia marked:any"])
        expect(await found(who, query)).toEqual([]);
    for (const query of ["zirkonia", "zirk", "marked:me zirkonia"])
      expect(await found(world.viewer, query)).toEqual([world.resource]);
    expect(await found(world.editor, "marked:any")).toEqual([world.resource]);
    expect(await found(world.editor, "marked:me")).toEqual([]);
    const heard = await database().select().from(event).where(eq(event.subject, world.resource));
    const told = heard.filter((one) => JSON.stringify(one).includes("zirkonia"));
    expect(told.map((one) => one.onlyFor)).toEqual([world.viewer.person!.id]);
    await expect(markWords(world.viewer, "older than any church")).rejects.toThrow();
  });

  it("stand where their words stand when another copy takes the place of theirs, and are lost, not dropped", async () => {
    await markWords(world.editor, "twenty times its weight in water");
    await markWords(world.editor, "it grows a millimetre a year where nobody drains it");
    const [first, second] = COPY.split("\n");
    await paste(`<p>Read this in peace.</p>${second}${first!.replace("twenty times", "up to twenty times")}`);
    expect(
      await database()
        .select()
        .from(job)
        .where(eq(job.uniqueKey, `marks.place:${world.resource}`)),
    ).toHaveLength(1);
    await placeMarks(world.resource);
    const { html } = await as(world.owner, "resources.text", { resource: world.resource });
    const text = textOfCopy(html!);
    expect((await read(world.owner)).marks.map((one) => text.slice(one.start!, one.end!))).toEqual([
      "it grows a millimetre a year where nobody drains it",
      "twenty times its weight in water",
    ]);

    await paste("<p>We have moved.</p>");
    await placeMarks(world.resource);
    const lost = (await read(world.owner)).marks;
    expect(lost.map(({ start, sure }) => ({ start, sure }))).toEqual(Array(2).fill({ start: null, sure: 0 }));
    // And they are there again when their words are.
    await paste(COPY);
    await placeMarks(world.resource);
    expect((await read(world.owner)).marks.map((one) => one.sure)).toEqual([100, 100]);
    const versions = await database()
      .select()
      .from(textVersion)
      .where(eq(textVersion.resource, world.resource));
    expect(versions.map((one) => one.number).sort()).toEqual([1, 2, 3]);
    expect(await versionNow()).toBe(4);
    // A copy that was in use can be again, and what comes then has a number of its own.
    await as(world.editor, "texts.use", { resource: world.resource, number: 3 });
    await placeMarks(world.resource);
    expect((await read(world.owner)).marks.map((one) => one.sure)).toEqual([0, 0]);
    await paste("<p>Another one.</p>");
    const { versions: all } = await as(world.viewer, "texts.versions", { resource: world.resource });
    expect(all.map((one) => [one.number, one.inUse]).sort()).toEqual(
      [1, 2, 3, 4, 5].map((number) => [number, number === 5]),
    );
    const { changes } = await as(world.viewer, "texts.compare", { resource: world.resource, number: 3 });
    expect(changes.map((part) => [part.kind, part.text.trim()])).toEqual([
      ["gone", "We have moved."],
      ["new", "Another one."],
    ]);
  });

  it("made on a copy that gave way meanwhile are looked for in the new one", async () => {
    const version = await versionNow();
    await paste(`<p>Before it.</p>${COPY}`);
    const made = await markWords(world.editor, "lets it go slowly", { version, start: 1, end: 9 });
    expect(made).toMatchObject({ start: null, sure: null, version });
    await placeMarks(world.resource);
    expect((await read(world.owner)).marks[0]).toMatchObject({ sure: 100 });
  });

  it("keep the words of two who write at one time, and are taken away once", async () => {
    const made = await markWords(world.editor, "older than any church", { note: "Which church?" });
    const base = { note: "Which church?" };
    await Promise.all([
      as(world.editor, "marks.edit", { mark: made.id, note: "Which old church?", base }),
      as(world.contributor, "marks.edit", { mark: made.id, note: "Which church? Ask at the station.", base }),
    ]);
    expect((await read(world.owner)).marks[0]!.note).toBe("Which old church? Ask at the station.");

    await expect(as(world.contributor, "marks.remove", { mark: made.id })).rejects.toThrow();
    await Promise.all([
      as(world.editor, "marks.remove", { mark: made.id }),
      as(world.owner, "marks.remove", { mark: made.id }),
    ]);
    const after = await read(world.owner);
    expect([after.marks, after.takenAway.map((one) => one.id)]).toEqual([[], [made.id]]);
    expect(await found(world.owner, "station")).toEqual([]);
    await as(world.owner, "marks.restore", { mark: made.id });
    expect((await read(world.owner)).marks[0]!.note).toContain("Ask at the station.");
  });

  it("are shown to the team or hidden from it by who made them, and the team is told no words of it", async () => {
    const made = await markWords(world.contributor, "lets it go slowly", { note: "quagga", private: true });
    await expect(as(world.owner, "marks.set-private", { mark: made.id, private: false })).rejects.toThrow();
    await as(world.contributor, "marks.set-private", { mark: made.id, private: false });
    expect(await found(world.viewer, "quagga")).toEqual([world.resource]);
    await as(world.contributor, "marks.set-private", { mark: made.id, private: true });
    expect(await found(world.viewer, "quagga")).toEqual([]);
    expect((await read(world.viewer)).marks).toEqual([]);
  });

  it("go with what they are on when two are made one, and come back with undo", async () => {
    const { resource: other } = await as(world.owner, "capture.address", {
      team: world.team,
      address: `https://bog.example/${newId()}`,
    });
    await markWords(world.editor, "twenty times its weight", { note: "okapi" });
    const { entry } = await as(world.owner, "duplicates.merge", { resource: other.id, gone: world.resource });
    await placeMarks(other.id);
    expect((await as(world.owner, "marks.of-resource", { resource: other.id })).marks[0]).toMatchObject({
      note: "okapi",
      sure: 100,
    });
    expect(await found(world.owner, "okapi")).toEqual([other.id]);
    await as(world.owner, "history.undo", { team: world.team, entry });
    expect((await read(world.owner)).marks.map((one) => one.note)).toEqual(["okapi"]);
  });

  it("of a collection are gathered as one may see them, go out as web annotations, and come back in once", async () => {
    await markWords(world.editor, "twenty times its weight", { note: "=okapi" });
    await markWords(world.viewer, "lets it go slowly", { note: "quagga", private: true });
    const inside = async (who: Actor) =>
      (await as(who, "marks.of-collection", { collection: world.collection })).marks.map((one) => one.note);
    expect([await inside(world.owner), await inside(world.viewer)]).toEqual([
      ["=okapi"],
      ["=okapi", "quagga"],
    ]);
    const { content } = await as(world.owner, "marks.export", {
      collection: world.collection,
      format: "json-ld",
    });
    expect(content).not.toContain("quagga");
    const csv = await as(world.owner, "marks.export", { collection: world.collection, format: "csv" });
    expect(csv.content).toContain("'=okapi");

    // They are here; taken away for good and brought in they are there again, once, and stand where they stood.
    const again = () => as(world.contributor, "marks.bring-in", { team: world.team, annotations: content });
    expect(await again()).toMatchObject({ brought: 0, passedOver: 1 });
    await database().delete(mark).where(eq(mark.private, false));
    expect(await again()).toMatchObject({ brought: 1, passedOver: 0 });
    expect(await again()).toMatchObject({ brought: 0, passedOver: 1 });
    await placeMarks(world.resource);
    expect((await read(world.owner)).marks).toMatchObject([{ note: "=okapi", sure: 100 }]);
    await expect(
      as(world.contributor, "marks.bring-in", { team: world.team, annotations: "no annotations" }),
    ).rejects.toThrow();
  });

  it("stand on seconds and parts of what has no words, reach further, are never looked for in the text, and come back in", async () => {
    const add = (fragment: string, more: object = {}) =>
      as(world.editor, "marks.add", { resource: world.resource, private: false, fragment, ...more });
    const { mark: second } = await add("t=npt:1:35.5");
    expect(second).toMatchObject({ fragment: "t=95", note: "", quote: "", start: null, sure: null });
    const typed = { type: "TextQuoteSelector", exact: "okapi on the board", prefix: "", suffix: "" };
    await add("xywh=percent:10,20,30.04,40", { selector: typed, note: "quagga" });
    const edited = await as(world.editor, "marks.edit", { mark: second.id, fragment: "t=95,130" });
    expect(edited.mark.fragment).toBe("t=95,130");
    await as(world.editor, "history.undo", { team: world.team, entry: edited.entry! });
    const stand = async () =>
      (await read(world.viewer)).marks.map((one) => [one.fragment, one.quote, one.start, one.sure]);
    const both = [
      ["t=95", "", null, null],
      ["xywh=percent:10,20,30,40", "okapi on the board", null, null],
    ];
    expect(await stand()).toEqual(both);
    await placeMarks(world.resource);
    expect(await stand()).toEqual(both);
    expect(await found(world.viewer, "okapi")).toEqual([world.resource]);
    for (const fragment of ["t=20,10", "xywh=1,2,3,4", "chapter"])
      await expect(add(fragment)).rejects.toMatchObject({ code: "fragment-not-readable" });
    const passage = await markWords(world.editor, "twenty times its weight");
    await expect(as(world.editor, "marks.edit", { mark: passage.id, fragment: "t=1" })).rejects.toMatchObject(
      { code: "fragment-not-readable" },
    );
    const { content } = await as(world.owner, "marks.export", {
      collection: world.collection,
      format: "json-ld",
    });
    const again = () => as(world.editor, "marks.bring-in", { team: world.team, annotations: content });
    expect(await again()).toMatchObject({ brought: 0, passedOver: 3 });
    await database().delete(mark).where(eq(mark.team, world.team));
    expect(await again()).toMatchObject({ brought: 3, passedOver: 0 });
    await placeMarks(world.resource);
    expect(await stand()).toEqual(expect.arrayContaining(both));
  });

  it("mean what the team named, which stays on them when it is taken off the list", async () => {
    const { meaning } = await as(world.editor, "meanings.save", { team: world.team, name: "doubt" });
    const made = await markWords(world.editor, "twenty times its weight", { meaning: meaning.id });
    await as(world.editor, "meanings.remove", { team: world.team, meaning: meaning.id });
    expect((await read(world.viewer)).marks[0]!.meaning).toBe(meaning.id);
    await expect(markWords(world.editor, "older than any", { meaning: meaning.id })).rejects.toThrow();
    expect((await as(world.editor, "meanings.save", { team: world.team, name: "Doubt" })).meaning.id).toBe(
      meaning.id,
    );
    const rows = await database().select().from(mark).where(eq(mark.id, made.id));
    expect(rows).toHaveLength(1);
  });
});

it("on a page of the web one sees the marks one may see, in each team that has it; a browser paired for marks does that and no more", async () => {
  const { owner, viewer, team, resource, address } = world;
  const mark = (who: Actor, quote: string, isPrivate: boolean) =>
    as(who, "marks.add", {
      ...{ resource, private: isPrivate },
      selector: { type: "TextQuoteSelector", exact: quote, prefix: "", suffix: "" },
    });
  await mark(owner, "the bog breathes", false);
  await mark(viewer, "mine alone", true);
  const seenBy = async (who: Actor) => {
    const { pages } = await as(who, "marks.on-page", { address: `${address}#part-two` });
    return pages.map((page) => [page.team, page.brings, page.marks.map((one) => one.quote)]);
  };
  expect(await seenBy(owner)).toEqual([[team, true, ["the bog breathes"]]]);
  expect(await seenBy(viewer)).toEqual([[team, false, ["the bog breathes", "mine alone"]]]);
  expect(await seenBy(await somebody("elsewhere"))).toEqual([]);

  const { code } = await as(owner, "tokens.offer", { scope: "marks" });
  const { token, scope } = await as({ person: null, share: null }, "tokens.pair", { code, name: "Browser" });
  expect(scope).toBe("marks");
  const browser = await actorOf(new Headers({ authorization: `Bearer ${token}` }));
  expect(await seenBy(browser)).toEqual(await seenBy(owner));
  const { mark: made } = await mark(browser, "holds water", false);
  await as(browser, "marks.remove", { mark: made.id });
  // Not what others made, nor anything else.
  const { mark: theirs } = await mark(world.editor, "theirs", false);
  for (const [name, input] of [
    ["marks.remove", { mark: theirs.id }],
    ["resources.read", { resource }],
    ["capture.address", { team, address: "https://bog.example/new" }],
  ] as const)
    await expect(as(browser, name, input)).rejects.toMatchObject({ kind: "not-allowed" });
  await as(owner, "marks.remove", { mark: theirs.id });
});
