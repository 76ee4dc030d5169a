import { expect, test } from "vitest";
import { STRANGER } from "@/mechanism/actor";
import { newId } from "@/outside/random";
import { letIn } from "@/services/suggestions/let-in";
import { takeFileFor } from "@/services/suggestions/take-file";
import { as, makeWorld } from "./world";

/** A world whose collection is open for suggestions. */
async function open(more: object = {}) {
  const world = await makeWorld();
  const { owner, collection } = world;
  const { link: page, code } = await as(owner, "suggestions.set-page", { collection, ...more });
  const offer = (name: string, what: object, suggestion = newId()) =>
    as(STRANGER, "suggestions.offer", { page, suggestion, name, ...what });
  const read = () => as(owner, "suggestions.read", { collection });
  const contexts = async () =>
    (await as(owner, "collections.read", { collection })).items.map((item) => item.context).filter(Boolean);
  const accept = (suggestions: string[], more: object = {}) =>
    as(owner, "suggestions.accept", { collection, suggestions, ...more });
  return { ...world, page, code, offer, read, contexts, accept };
}

test("what is suggested waits, is taken with thanks or declined with a word, and its giver sees what became of it", async () => {
  const { page, code, offer, read, accept, owner, team, collection, section, contexts } = await open();
  expect(await as(STRANGER, "codes.open", { code })).toEqual({
    code: page,
    opens: "suggestions",
    entry: undefined,
  });
  const { giver, suggestion } = await offer("Ada", { address: "bog.example/moss", why: "The best picture." });
  const { giver: again, suggestion: words } = await offer("Ada", { text: "Ask the ranger.", giver });
  const { giver: other, suggestion: same } = await offer("Ben", { address: "https://bog.example/moss" });
  expect([again === giver, other === giver]).toEqual([true, false]);
  const waiting = (await read()).waiting;
  expect(waiting.map((one) => [one.name, one.kind])).toEqual([
    ["Ada", "address"],
    ["Ada", "text"],
    ["Ben", "address"],
  ]);
  // Nothing by which somebody could pass for them.
  expect(JSON.stringify(waiting)).not.toContain(giver);

  const { accepted, entry } = await accept([suggestion.id, same.id], { section, word: "Thank you!" });
  expect(accepted).toHaveLength(2);
  expect(await contexts()).toEqual(["The best picture.\nSuggested by Ada, Ben."]);
  await as(owner, "suggestions.decline", { collection, suggestions: [words.id], word: "We did." });
  const mine = await as(STRANGER, "suggestions.mine", { page, giver });
  expect(mine.suggestions.map(({ state, word }) => [state, word])).toEqual([
    ["declined", "We did."],
    ["accepted", "Thank you!"],
  ]);
  // Taken back, they wait again, and nothing of them stands there.
  await as(owner, "history.undo", { team, entry: entry! });
  expect((await read()).waiting.map((one) => one.name)).toEqual(["Ada", "Ben"]);
  expect(await contexts()).toEqual([]);
  await as(owner, "suggestions.remove", { collection, suggestions: [words.id] });
  expect((await read()).decided).toEqual([]);
});

test("two accept one suggestion at once, and it stands there once; sent twice it is suggested once", async () => {
  const { offer, read, accept, contexts } = await open();
  const id = newId();
  const twice = await Promise.all(
    [1, 2].map(() => offer("Ada", { address: "bog.example/a", why: "So." }, id)),
  );
  expect(new Set(twice.map(({ giver }) => giver)).size).toBe(1);
  expect((await read()).count).toBe(1);
  const done = await Promise.all([accept([id]), accept([id])]);
  expect(done.map(({ accepted }) => accepted.length).sort()).toEqual([0, 1]);
  expect(await contexts()).toEqual(["So.\nSuggested by Ada."]);
});

test("200 suggest something at once, let in as it comes: none is lost and none is there twice", async () => {
  const { offer, read, owner, collection } = await open({ letsIn: true });
  const all = Array.from({ length: 200 }, (_, i) => ({ address: `https://bog.example/of/${i % 180}` }));
  const said = await Promise.all(all.map((what, i) => offer(`Learner ${i}`, what)));
  expect(said.every(({ suggestion }) => suggestion.byItself)).toBe(true);
  await Promise.all([letIn(collection), letIn(collection)]);
  const { items } = await as(owner, "collections.items", { collection });
  expect(items.filter(({ context }) => context.startsWith("Suggested by"))).toHaveLength(180);
  const { count, decided } = await read();
  expect([count, decided.every(({ state }) => state === "accepted")]).toEqual([0, true]);
});

test("what has a word or a site that is held waits for a look, also while things are let in", async () => {
  const { offer, read, collection } = await open({ letsIn: true, holds: "casino, ads.example" });
  await offer("Ada", { address: "https://www.ads.example/x" });
  await offer("Ben", { text: "Come to the Casino" });
  await offer("Cleo", { text: "Come to the bog" });
  await letIn(collection);
  expect((await read()).waiting.map((one) => one.heldFor)).toEqual(["ads.example", "casino"]);
});

test("closed, over, renewed or in the bin, nothing is taken any more", async () => {
  const { owner, collection, page, offer } = await open();
  const what = { text: "Something" };
  const refused = (code: string) => expect(offer("Ada", what)).rejects.toMatchObject({ code });
  await as(owner, "suggestions.set-page", { collection, open: false });
  expect(await as(STRANGER, "suggestions.page", { page })).toMatchObject({ open: false });
  await refused("suggestions-closed");
  await as(owner, "suggestions.set-page", { collection, open: true });
  await offer("Ada", what);
  await as(owner, "collections.remove", { collection });
  await refused("suggestions-ended");
  await as(owner, "bin.restore-collection", { collection });
  await offer("Ada", what);
  await as(owner, "suggestions.renew-page", { collection });
  await refused("suggestions-ended");
});

test("a file comes with its name and is taken in; what is made up, or of another page, is refused", async () => {
  const { page, offer, read, accept, owner } = await open();
  const body = () => new Blob(["A note from the field."], { type: "text/plain" }).stream();
  const file = await takeFileFor(STRANGER, page, "../field note.txt", body());
  const { suggestion } = await offer("Ada", { file });
  expect((await read()).waiting).toMatchObject([
    { fileName: "field note.txt", fileType: "text/plain", hasFile: true },
  ]);
  expect(await as(owner, "suggestions.file", { suggestion: suggestion.id })).toMatchObject({
    file: { bytes: 22 },
  });
  await accept([suggestion.id]);
  const elsewhere = await open();
  for (const wrong of [{ file: "made up" }, { file: file.slice(0, -8) }])
    await expect(offer("Ada", wrong)).rejects.toMatchObject({ code: "file-not-arrived" });
  await expect(elsewhere.offer("Ada", { file })).rejects.toMatchObject({ code: "file-not-arrived" });
  const large = new ReadableStream<Uint8Array>({
    pull: (to) => to.enqueue(new Uint8Array(1_000_000)),
  });
  await expect(takeFileFor(STRANGER, page, "large.bin", large)).rejects.toMatchObject({ code: "too-large" });
  await expect(takeFileFor(STRANGER, newId().slice(0, 20), "x", body())).rejects.toMatchObject({
    code: "suggestions-ended",
  });
});

test("what waits stands as it came, whatever the clocks of those who suggest it say", async () => {
  const { offer, read } = await open();
  // Ids are made by browsers, by their own time: the later one comes from a clock that is years behind.
  await offer("Ada", { text: "First" }, `01f00000-0000-7000-8000-${newId().slice(-12)}`);
  await offer("Ben", { text: "Second" }, `01500000-0000-7000-8000-${newId().slice(-12)}`);
  await offer("Cleo", { text: "Third" }, `01a00000-0000-7000-8000-${newId().slice(-12)}`);
  expect((await read()).waiting.map(({ name }) => name)).toEqual(["Ada", "Ben", "Cleo"]);
});

test("nothing at all, no name, or what is no address, is said beside its field", async () => {
  const { offer } = await open();
  const at = (field: string) => ({ errors: [expect.objectContaining({ field })] });
  await expect(offer("Ada", {})).rejects.toMatchObject(at("text"));
  await expect(offer(" ", { text: "x" })).rejects.toMatchObject(at("name"));
  await expect(offer("Ada", { address: "javascript:alert(1)" })).rejects.toMatchObject(at("address"));
});
