import { beforeAll, expect, test } from "vitest";
import { addSteward, setShelvesForEverybody } from "@/data/queries/care";
import type { Actor } from "@/mechanism/actor";
import { STRANGER } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { whyNotSignUp } from "@/services/accounts/may-sign-up";
import { readerPage } from "@/services/reader/reader-page";
import { areForEverybody } from "@/services/shelves/for-everybody";
import { nameSteward } from "@/services/stewards/name";
import { fed, word } from "./public";
import { as, makeWorld, somebody, type World } from "./world";

let steward: Actor;
beforeAll(async () => {
  steward = await somebody("steward");
  await nameSteward(steward.person!.email.toUpperCase(), true);
});

/** A public collection with a word of its own, and its code. */
async function shared() {
  const world = await makeWorld();
  const rare = word();
  await as(world.owner, "placements.edit", { placement: world.placement, context: `About ${rare}` });
  const { code } = await as(world.owner, "share.set", { collection: world.collection, audience: "public" });
  await fed();
  return { world, code: code!, rare };
}
const reports = async ({ collection }: World) =>
  (await as(steward, "stewards.read", {})).reports.filter((one) => one.collection === collection);
const hide = ({ collection }: World) =>
  as(steward, "stewards.hide", { collection, words: "Somebody’s garden is to be seen in it." });

test("what is reported is hidden from everybody outside at once, its team is told and answers, and it is shown again", async () => {
  const { world, code, rare } = await shared();
  const { collection, owner, editor } = world;
  const other = await makeWorld();
  const found = async () =>
    (await as(other.owner, "shelves.find", { query: rare })).results.map((one) => one.id);
  await as(other.owner, "follows.add", { team: other.team, kind: "collection", what: collection });
  expect(await found()).toEqual([collection]);
  await as(STRANGER, "reports.send", { code, reason: "private", words: "My garden", address: "a@b.example" });
  expect(await reports(world)).toMatchObject([{ reason: "private", words: "My garden", code }]);

  await hide(world);
  expect(await readerPage({ code })).toBeNull();
  expect(await found()).toEqual([]);
  await expect(as(other.owner, "shelves.read", { collection })).rejects.toMatchObject({ kind: "not-found" });
  await expect(
    as(other.editor, "shelves.borrow", { collection, team: other.team, copy: newId() }),
  ).rejects.toMatchObject({ kind: "not-found" });
  expect((await as(other.owner, "follows.read", { team: other.team })).follows[0]!.code).toBeNull();
  expect(await reports(world)).toEqual([]);
  // Its own people have it as before, are told, and cannot open it themselves.
  await as(owner, "share.set", { collection, audience: "link" });
  await as(owner, "share.set", { collection, audience: "public" });
  expect(await readerPage({ code })).toBeNull();
  const { notices } = await as(owner, "notices.read", {});
  expect(notices).toMatchObject([{ kind: "hidden", collection, by: null }]);
  expect((await as(world.viewer, "notices.read", {})).notices).toEqual([]);
  const told = await as(owner, "log.read", { team: world.team });
  expect(JSON.stringify(told)).not.toContain(steward.person!.id);
  await as(editor, "share.answer", { collection, words: "It is cut out now." });
  expect((await as(owner, "share.read", { collection })).hidden).toMatchObject({
    ...{ words: "Somebody’s garden is to be seen in it.", answer: "It is cut out now." },
  });
  const { hidden } = await as(steward, "stewards.read", {});
  expect(hidden.find((one) => one.collection === collection)!.answer).toBe("It is cut out now.");

  await as(steward, "stewards.show", { collection });
  await fed();
  expect(await readerPage({ code })).not.toBeNull();
  expect(await found()).toEqual([collection]);
  expect((await as(owner, "notices.read", {})).notices).toEqual([]);
  await expect(as(editor, "share.answer", { collection, words: "x" })).rejects.toMatchObject({
    code: "not-hidden",
  });
  const { deeds } = await as(steward, "stewards.read", {});
  expect(deeds.filter((one) => one.collection === collection).map((one) => one.kind)).toEqual([
    ...["show", "answer", "hide"],
  ]);
});

test("a part of something shared with everything inside is hidden there, too, and in the editions that were kept", async () => {
  const { world, code, rare } = await shared();
  const { owner, team, collection } = world;
  const inside = await as(owner, "collections.make", { team, title: "Inside", parent: collection });
  const part = inside.collection.id;
  await as(owner, "share.set", { collection, reach: "all" });
  const note = { team, text: `What ${rare} is`, collection: part };
  await as(owner, "capture.note", note);
  const { number: edition } = await as(owner, "editions.keep", { collection });
  const shown = async (wish: { part?: string; edition?: number } = {}) => {
    const page = await readerPage({ code, ...wish });
    return page ? new TextDecoder().decode(page.bytes) : "";
  };
  for (const number of [undefined, edition]) {
    expect(await shown({ edition: number })).toContain("Inside");
    expect(await shown({ part, edition: number })).toContain(`What ${rare} is`);
  }
  await as(STRANGER, "reports.send", { code, part, reason: "rights" });
  await as(steward, "stewards.hide", { collection: part, words: "No." });
  // Pages are looked at twice a second.
  await new Promise((resolve) => setTimeout(resolve, 1_000));
  for (const number of [undefined, edition]) {
    expect(await shown({ part, edition: number })).toBe("");
    expect(await shown({ edition: number })).toContain(`About ${rare}`);
    expect(await shown({ edition: number })).not.toContain("Inside");
  }
});

test("only stewards see to it, and they see of a team what is no secret of it; who named them says who they are no more", async () => {
  const { world, code } = await shared();
  await as(STRANGER, "reports.send", { code, reason: "misleading" });
  const [report] = await reports(world);
  for (const [name, input] of [
    ["stewards.read", {}],
    ["stewards.teams", {}],
    ["stewards.hide", { collection: world.collection, words: "x" }],
    ["stewards.leave", { report: report!.id }],
    ["stewards.set-shelves", { everybody: true }],
    ["stewards.set-sign-up", { mode: "invited", domains: [] }],
  ] as const)
    await expect(as(world.owner, name, input), name).rejects.toMatchObject({ kind: "not-allowed" });
  // What is no business of theirs is not theirs to read.
  await expect(as(steward, "collections.read", { collection: world.collection })).rejects.toMatchObject({
    kind: "not-found",
  });
  await as(steward, "stewards.leave", { report: report!.id });
  await as(steward, "stewards.leave", { report: report!.id });
  expect(await reports(world)).toEqual([]);
  expect(await readerPage({ code })).not.toBeNull();

  let page: { after?: string; afterId?: string } | null = {};
  const seen: { id: string; people: number; isPublic: number }[] = [];
  while (page) {
    const answer: Awaited<ReturnType<typeof teamsFrom>> = await teamsFrom(page);
    seen.push(...answer.teams);
    page = answer.next;
  }
  expect(seen.filter((one) => one.id === world.team)).toMatchObject([{ people: 4, isPublic: 1 }]);
  expect(new Set(seen.map((one) => one.id)).size).toBe(seen.length);
  const second = await somebody("second");
  await addSteward(database(), second.person!.id, new Date());
  await nameSteward(second.person!.email, false);
  await expect(as(second, "stewards.read", {})).rejects.toMatchObject({ kind: "not-allowed" });
  expect(await nameSteward("nobody@nowhere.example", true)).toBeNull();
});
const teamsFrom = (page: object) => as(steward, "stewards.teams", page);

test("what is sent in many times waits fifty times at the most, and nothing is reported of what nobody outside sees", async () => {
  const { world, code } = await shared();
  for (let n = 0; n < 52; n++) await as(STRANGER, "reports.send", { code, reason: "harmful" });
  expect(await reports(world)).toHaveLength(50);
  await expect(as(STRANGER, "reports.send", { code, reason: "other" })).rejects.toMatchObject({
    code: "say-what-it-is",
  });
  await as(world.owner, "share.set", { collection: world.collection, audience: "team" });
  await expect(as(STRANGER, "reports.send", { code, reason: "rights" })).rejects.toMatchObject({
    kind: "not-found",
  });
});

test("who may sign up is decided by stewards: by the domain of the address, or by an invitation that holds", async () => {
  // Those of the other tests, who sign up meanwhile.
  await as(steward, "stewards.set-sign-up", { mode: "domains", domains: ["@Test.example", "bog.example"] });
  expect(await whyNotSignUp("mira@test.example", "/")).toBeNull();
  expect(await whyNotSignUp("mira@elsewhere.example", "/")).toContain("mail domains");
  const world = await makeWorld();
  const { invitation } = await as(world.owner, "invitations.make", { team: world.team, role: "viewer" });
  expect(await whyNotSignUp("mira@elsewhere.example", `/join/${invitation.code}`)).toBeNull();
  expect(await whyNotSignUp("mira@elsewhere.example", "/join/nosuchcode")).not.toBeNull();
  expect(
    await whyNotSignUp("mira@elsewhere.example", `https://evil.example/join/${invitation.code}`),
  ).not.toBeNull();
  await expect(as(steward, "stewards.set-sign-up", { mode: "domains", domains: [] })).rejects.toMatchObject({
    code: "not-a-domain",
  });
  await as(steward, "stewards.set-sign-up", { mode: "everybody", domains: [] });
  expect(await whyNotSignUp("mira@elsewhere.example", "/")).toBeNull();
});

test("whether everybody finds what is public is decided by the settings until a steward says so", async () => {
  const { everybodySees } = await as(steward, "stewards.read", {});
  expect(everybodySees).toBe(process.env.HOBBIN_SHELVES === "everybody");
  // Others look at the shelves meanwhile: nothing of it holds.
  const said: boolean[] = [];
  const taken = await database()
    .transaction(async (tx) => {
      for (const everybody of [false, true]) {
        await setShelvesForEverybody(tx, everybody);
        said.push(await areForEverybody(tx));
      }
      throw new Error("taken back");
    })
    .catch((error: Error) => error.message);
  expect(taken).toBe("taken back");
  expect(said).toEqual([false, true]);
});
