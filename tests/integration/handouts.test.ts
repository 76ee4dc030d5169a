import { eq, sql } from "drizzle-orm";
import { describe, expect, test } from "vitest";
import { clearBin } from "@/data/queries/bin";
import { collection as table } from "@/data/schema";
import { STRANGER } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { arrive, as, makeWorld, somebody, type World } from "./world";

/** A world whose collection is handed out to Ada and Ben. */
async function given(writes = true) {
  const world = await makeWorld();
  const { owner, team, collection, section, placement } = world;
  await as(owner, "placements.edit", { placement, context: "Read this" });
  const second = await bring(world, section);
  const { group } = await as(owner, "groups.make", { team, title: "7a", names: ["Ada", " Ben  Fen "] });
  const { learners } = await as(owner, "groups.look", { group: group.id });
  const { handout } = await as(owner, "handouts.make", { collection, group: group.id, writes });
  const [ada, ben] = learners.map((one) => ({ ...one, ...(({ card }) => hand(card, handout.id))(one) }));
  return { ...world, group: group.id, handout: handout.id, second, learners, ada: ada!, ben: ben! };
}
const bring = async ({ owner, team, collection }: World, section: string | null) => {
  const address = `https://bog.example/${newId()}`;
  return (await as(owner, "capture.address", { team, address, collection, section })).item!.id;
};

/** What somebody does with their card. */
const hand = (card: string, handout: string) => ({
  open: () => as(STRANGER, "sheets.open", { card, handout }),
  write: (item: string, more: object) => as(STRANGER, "sheets.write", { card, handout, item, ...more }),
  find: (more: object) => as(STRANGER, "sheets.add-find", { card, handout, ...more }),
  handIn: (handedIn = true) => as(STRANGER, "sheets.hand-in", { card, handout, handedIn }),
  items: async () =>
    (await as(STRANGER, "sheets.read", { card, handout })).parts.flatMap((part) =>
      part.sections.flatMap((section) => section.items),
    ),
  finds: async () =>
    (await as(STRANGER, "sheets.read", { card, handout })).parts.flatMap((part) =>
      part.sections.flatMap((section) => section.finds),
    ),
});
type Given = Awaited<ReturnType<typeof given>>;
const item = async (who: Given["ada"], id: string) => (await who.items()).find((one) => one.id === id);
const overview = async ({ owner, handout }: Given) =>
  (await as(owner, "handouts.overview", { handout })).learners.map((one) => [
    one.name,
    one.stage,
    one.done,
    one.written,
    one.found,
  ]);

describe("what is handed out", () => {
  test("each has for themselves, by their card; who gave it sees all side by side, and looks into one", async () => {
    const world = await given();
    const { owner, ada, ben, handout, placement, second, group } = world;
    expect((await as(STRANGER, "sheets.of-card", { card: ada.card })).handouts).toMatchObject([
      { id: handout, title: "A collection", writes: true, stage: "unopened" },
    ]);
    await ada.open();
    await ada.write(placement, { done: true, answer: "Water stands there." });
    await ada.write(second, { done: true });
    await ada.find({ address: "bog.example/mine", context: "Because of the photographs" });
    await ben.open();
    expect(await overview(world)).toEqual([
      ["Ada", "begun", 2, 1, 1],
      ["Ben Fen", "opened", 0, 0, 0],
    ]);
    expect(await item(ben, placement)).toMatchObject({
      done: false,
      answer: "",
      context: { words: "Read this" },
    });
    await ada.handIn();
    const learner = ada.id;
    const seen = await as(owner, "handouts.look-into", { handout, learner });
    expect(seen).toMatchObject({ stage: "handed-in", learner: { name: "Ada" } });
    await as(owner, "handouts.looked", { handout, learner });
    expect((await overview(world))[0]![1]).toBe("looked-at");
    expect((await as(owner, "groups.look", { group })).handouts).toMatchObject([
      { id: handout, opened: 2, handedIn: 1 },
    ]);
    // What she found is hers: in no catalogue.
    const addresses = ["https://bog.example/mine"];
    expect(await as(owner, "resources.known", { team: world.team, addresses })).toEqual({ known: [null] });
  });

  test("is only read where it is to be ticked, when it is over, and when it is handed in", async () => {
    const { owner, ada, handout, placement } = await given(false);
    await expect(ada.write(placement, { answer: "x" })).rejects.toMatchObject({ code: "handout-is-read" });
    await ada.write(placement, { done: true });
    await ada.handIn();
    await expect(ada.write(placement, { done: false })).rejects.toMatchObject({ code: "sheet-handed-in" });
    await ada.handIn(false);
    await as(owner, "handouts.edit", { handout, until: new Date(Date.now() + 1).toISOString() });
    await new Promise((done) => setTimeout(done, 5));
    await expect(ada.write(placement, { done: false })).rejects.toMatchObject({ code: "handout-ended" });
    await expect(ada.handIn()).rejects.toMatchObject({ code: "handout-ended" });
    expect(await item(ada, placement)).toMatchObject({ done: true });
    await as(owner, "handouts.edit", { handout, until: null });
    await ada.write(placement, { done: false });
  });

  test("is nobody else's: a card opens what was given to its own group, a lost one nothing, and codes of cards lead there", async () => {
    const one = await given();
    const other = await given();
    await expect(
      as(STRANGER, "sheets.read", { card: one.ada.card, handout: other.handout }),
    ).rejects.toMatchObject({ code: "handout-gone" });
    const open = (code: string) => as(STRANGER, "codes.open", { code });
    expect(await open(one.ada.code.toUpperCase())).toEqual({ code: one.ada.card, opens: "card" });
    const { learner } = await as(one.owner, "learners.renew-card", { learner: one.ada.id });
    await expect(one.ada.items()).rejects.toMatchObject({ code: "card-ended" });
    await expect(open(one.ada.code)).rejects.toMatchObject({ code: "code-opens-nothing" });
    expect((await hand(learner.card, one.handout).items()).length).toBe(2);
    await as(one.owner, "learners.remove", { learner: one.ben.id });
    await expect(one.ben.items()).rejects.toMatchObject({ code: "card-ended" });
    await as(one.owner, "history.undo", { team: one.team });
    expect((await one.ben.items()).length).toBe(2);
    await expect(
      as(await somebody("elsewhere"), "handouts.overview", { handout: one.handout }),
    ).rejects.toMatchObject({ code: "not-found" });
    await expect(
      as(other.owner, "handouts.make", { collection: other.collection, group: one.group, writes: true }),
    ).rejects.toMatchObject({ code: "not-found" });
  });

  test("who comes late has it too; a name is corrected; all is taken away and comes back with what was written", async () => {
    const { owner, team, group, handout, ada, placement } = await given();
    const { learners } = await as(owner, "learners.add", { group, names: ["Cleo"] });
    expect((await hand(learners[0]!.card, handout).items()).length).toBe(2);
    await as(owner, "learners.edit", { learner: ada.id, name: "Adah" });
    expect((await as(STRANGER, "sheets.of-card", { card: ada.card })).name).toBe("Adah");
    await ada.write(placement, { note: "Ask why" });
    for (const [name, input] of [
      ["handouts.remove", { handout }],
      ["groups.remove", { group }],
    ] as const) {
      await as(owner, name, input);
      await expect(ada.items()).rejects.toThrow();
      await as(owner, "history.undo", { team });
      expect(await item(ada, placement)).toMatchObject({ note: "Ask why" });
    }
  });
});

describe("a correction", () => {
  test("reaches what was left alone, leaves alone what was written, and is taken back", async () => {
    const world = await given();
    const { owner, team, handout, ada, ben, placement, second, section } = world;
    await ada.write(placement, { context: "Look at the reeds", base: { context: "Read this" } });
    await ada.write(second, { answer: "Peat." });
    await ben.write(second, { done: true });
    await as(owner, "placements.edit", { placement, context: "Read this first" });
    await as(owner, "placements.remove", { placement: second });
    const third = await bring(world, section);
    expect(await as(owner, "handouts.preview-correction", { handout })).toMatchObject({
      count: 3,
      beside: 1,
      kept: 1,
    });
    expect(await as(owner, "handouts.correct", { handout })).toMatchObject({ isNew: true });
    expect(await item(ben, placement)).toMatchObject({ context: { words: "Read this first", beside: null } });
    expect(await item(ada, placement)).toMatchObject({
      context: { words: "Look at the reeds", beside: "Read this first" },
    });
    expect((await ben.items()).map(({ id }) => id)).toEqual([placement, third]);
    expect((await ada.items()).map(({ id, gone }) => [id, gone])).toEqual([
      [placement, false],
      [second, true],
      [third, false],
    ]);
    // What is gone is still theirs to write at.
    await ada.write(second, { answer: "Peat, and sphagnum." });
    await ada.write(placement, { keeps: true });
    expect(await item(ada, placement)).toMatchObject({
      context: { words: "Look at the reeds", beside: null },
    });
    expect(await as(owner, "handouts.correct", { handout })).toMatchObject({ isNew: false });
    await as(owner, "history.undo", { team });
    expect((await ben.items()).map(({ id }) => id)).toEqual([placement, second]);
    expect(await item(ada, second)).toMatchObject({ answer: "Peat, and sphagnum.", gone: false });
  });

  test("sent while they write mixes nothing: words begun before it have the new ones beside them", async () => {
    const { owner, handout, ada, placement } = await given();
    await as(owner, "placements.edit", { placement, context: "Read this first" });
    await Promise.all([
      as(owner, "handouts.correct", { handout }),
      ada.write(placement, { context: "Read this slowly", base: { context: "Read this" } }),
    ]);
    expect(await item(ada, placement)).toMatchObject({
      context: { words: "Read this slowly", beside: "Read this first" },
      isOwn: true,
    });
    await ada.write(placement, { context: "" });
    expect(await item(ada, placement)).toMatchObject({
      context: { words: "Read this first", beside: null },
      isOwn: false,
    });
  });
});

test("what was handed out stays when its collection goes into the bin; no correction comes of it until that is back", async () => {
  const { owner, team, collection, handout, ada, placement } = await given();
  await as(owner, "collections.remove", { collection });
  for (const name of ["handouts.preview-correction", "handouts.correct"] as const)
    await expect(as(owner, name, { handout })).rejects.toMatchObject({ code: "in-bin" });
  await ada.write(placement, { answer: "Still here." });
  const ago = (days: number) => new Date(Date.now() - days * 86_400_000);
  await database()
    .update(table)
    .set({ deletedAt: ago(60) })
    .where(eq(table.id, collection));
  await clearBin(database(), ago(30));
  expect(await item(ada, placement)).toMatchObject({ answer: "Still here." });
  await as(owner, "history.undo", { team });
  expect(await as(owner, "handouts.preview-correction", { handout })).toMatchObject({ count: 0 });
});

test("what came back becomes a collection of the team, once, with what several found once; notes stay theirs", async () => {
  const { owner, team, handout, ada, ben, placement, second, resource } = await given();
  const collect = (more: object) =>
    as(owner, "handouts.collect", { handout, collection: newId(), by: "item", names: true, ...more });
  await expect(collect({})).rejects.toMatchObject({ code: "nothing-came-back" });
  await ada.write(placement, { answer: "Slowly.", note: "mine alone" });
  await ben.write(placement, { context: "Look here" });
  await ben.write(second, { answer: "Peat." });
  await ada.find({ address: "https://bog.example/both", context: "Short" });
  await ben.find({ address: "https://www.bog.example/both?utm_source=x", title: "Both" });
  const collection = newId();
  await Promise.all([collect({ collection }), collect({ collection })]);
  const { items, sections } = await as(owner, "collections.read", { collection }).then(async (head) => ({
    items: head.items,
    sections: (await as(owner, "collections.sections", { collection })).sections,
  }));
  expect(sections.map(({ title }) => title).at(-1)).toBe("Found");
  expect(sections).toHaveLength(3);
  expect(items.map(({ look }) => look)).toEqual(["item", "text", "item", "text", "item"]);
  expect(items[0]).toMatchObject({ context: "Read this", resource: { id: resource } });
  expect(items[1]).toMatchObject({ heading: "2 answers" });
  expect(JSON.stringify(items)).toContain("Ada: Slowly.");
  expect(JSON.stringify(items)).not.toContain("mine alone");
  expect(items[4]).toMatchObject({ context: "Short\nFound by Ada, Ben Fen.", resource: { title: "Both" } });
  // What a learner noted for themselves the giver does not see either.
  const seen = await as(owner, "handouts.look-into", { handout, learner: ada.id });
  expect(JSON.stringify(seen)).not.toContain("mine alone");
  expect(await item(ada, placement)).toMatchObject({ note: "mine alone" });
  await as(owner, "history.undo", { team });
  await expect(as(owner, "collections.read", { collection })).rejects.toMatchObject({ code: "in-bin" });
  const nameless = await collect({ by: "learner", names: false });
  const { items: others } = await as(owner, "collections.read", { collection: nameless.collection });
  expect(JSON.stringify(others)).not.toMatch(/Ada|Ben/);
});

test("a file that was handed out is had as it was then, by who holds a card of the group", async () => {
  const world = await makeWorld();
  const { owner, team, collection } = world;
  const upload = arrive(
    owner,
    team,
    "tests/reference/files/documents/with-pictures.docx",
    "field sheet.docx",
  );
  const { item: placed } = await as(owner, "capture.file", { team, upload, collection, section: null });
  const { group } = await as(owner, "groups.make", { team, title: "7a", names: ["Ada"] });
  const { handout } = await as(owner, "handouts.make", { collection, group: group.id, writes: false });
  const [ada] = (await as(owner, "groups.look", { group: group.id })).learners;
  const asked = { card: ada!.card, handout: handout.id, item: placed!.id };
  expect((await hand(ada!.card, handout.id).items()).find((one) => one.id === placed!.id)).toMatchObject({
    hasFile: true,
  });
  expect(await as(STRANGER, "sheets.file", asked)).toMatchObject({ file: { name: "field sheet.docx" } });
  const other = await given();
  await expect(as(STRANGER, "sheets.file", { ...asked, card: other.ada.card })).rejects.toMatchObject({
    code: "handout-gone",
  });
  await expect(as(STRANGER, "sheets.file", { ...asked, item: world.placement })).rejects.toMatchObject({
    kind: "not-found",
  });
});

test("one learner on two devices loses nothing, and what is sent twice is there once", async () => {
  const { ada, placement, team, owner, collection, group, handout } = await given();
  await Promise.all([ada.open(), ada.open(), ada.write(placement, { answer: "one" })]);
  await ada.write(placement, { answer: "one two", base: { answer: "one" } });
  await ada.write(placement, { answer: "zero one", base: { answer: "one" } });
  expect(await item(ada, placement)).toMatchObject({ answer: "zero one two" });
  await expect(ada.write(placement, { answer: "nought one two", base: { answer: "one two" } })).rejects.toMatchObject({ code: "words-differ" });
  const find = newId();
  const [address, title] = ["https://bog.example/twice", "Twice"];
  await Promise.all([1, 2, 3].map(() => ada.find({ find, address, title })));
  expect(await ada.finds()).toMatchObject([{ id: find, address, title }]);
  const twice = { collection, group, handout: newId(), writes: true };
  await Promise.all([as(owner, "handouts.make", twice), as(owner, "handouts.make", twice)]);
  const names = { team, group: newId(), title: "7b", names: ["Dag"] };
  await Promise.all([as(owner, "groups.make", names), as(owner, "groups.make", names)]);
  const { groups } = await as(owner, "groups.read", { team });
  expect(groups).toMatchObject([
    { title: "7a", learners: 2, handouts: 2 },
    { title: "7b", learners: 1, handouts: 0 },
  ]);
  await expect(ada.find({})).rejects.toMatchObject({ kind: "not-valid" });
  await expect(ada.find({ address: "no address" })).rejects.toMatchObject({ kind: "not-valid" });
  await expect(hand("x".repeat(16), handout).open()).rejects.toMatchObject({ code: "card-ended" });
}); // prettier-ignore

test("a class is erased for good: nothing that says its names, or what they wrote, is left", async () => {
  const { owner, viewer, team, collection } = await makeWorld();
  const names = ["Zwischenada", "Zwischenben"];
  const { group } = await as(owner, "groups.make", { team, title: "7b", names });
  const [one, two] = (await as(owner, "groups.look", { group: group.id })).learners;
  const { handout } = await as(owner, "handouts.make", { collection, group: group.id, writes: true });
  const written = { card: one!.card, handout: handout.id };
  await as(STRANGER, "sheets.add-find", { ...written, address: "https://bog.example/zwischenfund" });
  await as(owner, "learners.edit", { learner: two!.id, name: "Zwischencleo" });
  await as(owner, "learners.remove", { learner: two!.id });
  await as(owner, "groups.remove", { group: group.id });
  await expect(as(viewer, "groups.erase", { group: group.id })).rejects.toMatchObject({
    kind: "not-allowed",
  });
  expect(await as(owner, "groups.erase", { group: group.id })).toMatchObject({ erased: 2 });
  const tables = await rows<{ name: string }>(
    sql`SELECT table_name AS name FROM information_schema.columns
      WHERE table_schema = database() AND column_name = 'team'`,
  );
  expect(tables.length).toBeGreaterThan(10);
  const said: string[] = [];
  for (const { name } of tables)
    for (const row of await rows(sql`SELECT * FROM ${sql.identifier(name)} WHERE team = ${team}`))
      if (/zwischen(ada|ben|cleo|fund)/i.test(JSON.stringify(row))) said.push(name);
  expect(said).toEqual([]);
  await expect(as(STRANGER, "sheets.of-card", { card: one!.card })).rejects.toMatchObject({
    kind: "not-found",
  });
});

const rows = async <R = object>(query: ReturnType<typeof sql>): Promise<R[]> =>
  ((await database().execute(query)) as unknown as [R[]])[0];

test("what its giver says stands with the learner it is said to; two who write it at once both have their words", async () => {
  const { owner, editor, handout, ada, ben } = await given();
  const say = (by: typeof owner, learner: string, remark: string, base: string) =>
    as(by, "handouts.remark", { handout, learner, remark, base: { remark: base } });
  await expect(say(owner, ada.id, "Well read.", "")).rejects.toMatchObject({ code: "sheet-not-begun" });
  await Promise.all([ada.open(), ben.open()]);
  await say(owner, ada.id, "Well read.", "");
  await say(owner, ada.id, "Well read. More sources!", "Well read.");
  await say(editor, ada.id, "Ada: Well read.", "Well read.");
  const read = async (card: string) => (await as(STRANGER, "sheets.read", { card, handout })).remark;
  expect([await read(ada.card), await read(ben.card)]).toEqual(["Ada: Well read. More sources!", ""]);
  expect(await as(owner, "handouts.look-into", { handout, learner: ada.id })).toMatchObject({
    remark: "Ada: Well read. More sources!",
  });
});

test("what learners wrote is found by words, in this handout alone, and what they noted for themselves is not", async () => {
  const { owner, handout, ada, ben, placement, second } = await given();
  await ada.write(placement, { answer: "Peat keeps 100% of it", note: "zwischenruf" });
  await ben.write(second, { context: "Because peat is wet" });
  await ben.find({ address: "https://bog.example/wet", title: "Wet peat" });
  const other = await given();
  await other.ada.write(other.placement, { answer: "Peat elsewhere" });
  const find = async (words: string) =>
    (await as(owner, "handouts.find", { handout, words })).found.map(({ name, what, words: said }) => [
      ...[name, what, said],
    ]);
  expect(await find("PEAT")).toEqual([
    ["Ada", "answer", "Peat keeps 100% of it"],
    ["Ben Fen", "context", "Because peat is wet"],
    ["Ben Fen", "find", "Wet peat https://bog.example/wet"],
  ]);
  expect(await find("wet peat")).toHaveLength(2);
  expect(await find("100%")).toHaveLength(1);
  // Signs of the database are letters like others.
  for (const nothing of ["1_0", "%", "zwischenruf", "elsewhere"])
    expect([nothing, (await find(nothing)).length]).toEqual([nothing, nothing === "%" ? 1 : 0]);
});
