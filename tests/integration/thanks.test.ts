import { expect, test } from "vitest";
import { STRANGER } from "@/mechanism/actor";
import { newId } from "@/outside/random";
import { as, makeWorld } from "./world";

test("that it helped is said without an account, with or without a sentence, and read by those who made it", async () => {
  const world = await makeWorld();
  const { owner, viewer, contributor, collection, team } = world;
  const { code } = await as(owner, "share.set", { collection, audience: "public" });
  const say = (more: object = {}) => as(STRANGER, "thanks.give", { code, thanks: newId(), ...more });
  const said = async () => (await as(viewer, "thanks.read", { collection })).thanks.map((one) => one.words);
  const sent = { thanks: newId(), words: " My class found three of them. ", name: "Mare" };
  await Promise.all([say(sent), say(sent)]);
  await say(sent);
  // Without a word it stands there once a day, however many say it: nothing is counted by it.
  await say();
  await say({ words: "  " });
  expect((await said()).sort()).toEqual(["", "My class found three of them."]);

  const helped = async () =>
    (await as(owner, "notices.read", {})).notices.filter((one) => one.kind === "helped");
  expect(await helped()).toMatchObject([{ collection, by: null, many: 2 }]);
  expect((await as(contributor, "notices.read", {})).notices).toEqual([]);
  const { thanks } = await as(viewer, "thanks.read", { collection });
  for (const one of thanks) await as(owner, "thanks.put-away", { thanks: one.id, away: true });
  expect(await said()).toEqual([]);
  expect(await helped()).toEqual([]);
  await as(owner, "thanks.put-away", { thanks: sent.thanks, away: false });
  expect(await said()).toEqual(["My class found three of them."]);

  // A copy of it has none, and of what nobody outside sees nothing is said.
  const copy = await as(owner, "collections.duplicate", { collection, items: true });
  expect((await as(viewer, "thanks.read", { collection: copy.collection.id })).thanks).toEqual([]);
  await as(owner, "share.set", { collection, audience: "team" });
  await expect(say({ words: "Still" })).rejects.toMatchObject({ kind: "not-found" });
  const other = await as(owner, "collections.make", { team, title: "Other" });
  const opened = await as(owner, "share.set", { collection: other.collection.id, audience: "link" });
  await expect(say({ ...sent, code: opened.code })).rejects.toMatchObject({ code: "id-taken" });
});

test("a flood of it ends at what is kept of one collection, and those who made it are told once until they look", async () => {
  const { owner, editor, collection } = await makeWorld();
  const { code } = await as(owner, "share.set", { collection, audience: "public" });
  const say = (n: number) => as(STRANGER, "thanks.give", { code, thanks: newId(), words: `It helped ${n}` });
  for (let n = 0; n < 500; n += 20) await Promise.all(Array.from({ length: 20 }, (_, i) => say(n + i)));
  await expect(say(500)).rejects.toMatchObject({ code: "thanks-full" });
  for (const who of [owner, editor])
    expect((await as(who, "notices.read", {})).notices.map((one) => one.kind)).toEqual(["helped"]);
});
