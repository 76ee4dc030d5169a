import { eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { resource } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { ACTIONS, type ActionName } from "@/services/registry";
import { listenTo } from "@/services/events/listen";
import { TABLE } from "./every-action";
import { type Full, makeFull } from "./full-world";
import { GUESTS } from "./guests-may";
import { as, guestOf, makeWorld, somebody } from "./world";

/** Stands in whatever a guest of the collection must not see. */
const PLANTED = "zwischenmoor";

describe("the rest of the team", () => {
  let world: Full;
  beforeAll(async () => {
    world = await makeFull();
    const { owner, team, other, otherSection, twin, collection } = world;
    const { resource: both } = world;
    await as(owner, "collections.edit", { collection: other, title: PLANTED, description: PLANTED });
    await as(owner, "sections.edit", { section: otherSection, title: PLANTED });
    await as(owner, "resources.edit", { resource: twin, title: PLANTED, notes: PLANTED });
    await as(owner, "tags.add", { resource: twin, tags: [PLANTED] });
    await as(owner, "marks.add", { resource: twin, private: false, note: PLANTED });
    // What stands in both is told of as it stands here.
    await as(owner, "placements.add", {
      collection: other,
      resource: both,
      heading: PLANTED,
      context: PLANTED,
    });
    await as(owner, "comments.add", { collection: other, words: PLANTED });
    await as(owner, "marks.add", { resource: both, private: true, note: PLANTED });
    await as(owner, "rules.save", {
      ...{ team, rule: world.rule, name: PLANTED, host: "bog.example", tags: [PLANTED], acts: false },
    });
    // It comes from there, and lies in something that is called so.
    const { item } = await as(owner, "capture.address", {
      ...{ team, collection: other, address: "https://bog.example/comes" },
    });
    await as(owner, "placements.move-many", { collection, placements: [item!.id] });
    const { collection: above } = await as(owner, "collections.make", { team, title: PLANTED });
    await as(owner, "collections.move", { collection, parent: above.id });
    await as(owner, "share.set", { collection: above.id, audience: "link" });
    await as(owner, "collections.put-away", { collection: other, away: false });
  });

  const readings = Object.keys(GUESTS).filter(
    (name) => ACTIONS[name as ActionName].kind === "read",
  ) as ActionName[];
  test.each(readings)("%s says nothing of it", async (name) => {
    const input = (GUESTS[name]!.input ?? TABLE[name].input)(world);
    const said = await ACTIONS[name].call(world.guests.editor, input).catch((error: Error) => error.message);
    expect(JSON.stringify(said)).not.toContain(PLANTED);
  });

  test("is there for whoever is in the team, so that looking for it proves something", async () => {
    const { owner, collection, team, resource: both } = world;
    const said = await Promise.all([
      as(owner, "collections.read", { collection }),
      as(owner, "collections.tree", { team }),
      as(owner, "resources.read", { resource: both }),
    ]);
    for (const one of said) expect(JSON.stringify(one)).toContain(PLANTED);
  });

  test("is not told by what happens there either", async () => {
    const { owner, team, other, collection, guests, twin, resource: both } = world;
    const { only } = await as(guests.viewer, "events.listen", { team });
    expect(only).toEqual([collection]);
    let heard = "";
    const stop = listenTo(
      guests.viewer,
      { team, only, last: null },
      {
        write: (bytes) => (heard += new TextDecoder().decode(bytes)),
        end: () => undefined,
      },
    );
    await as(owner, "sections.make", { collection: other, title: `${PLANTED} again` });
    await as(owner, "resources.edit", { resource: twin, title: `${PLANTED} again` });
    await as(owner, "resources.edit", { resource: both, title: "What stands here" });
    await as(owner, "sections.make", { collection, title: "Heard of" });
    await expect.poll(() => heard, { interval: 20 }).toContain("Heard of");
    expect(heard).toContain("What stands here");
    stop();
    expect(heard).not.toContain(PLANTED);
  });

  test("is not reached by naming it beside what is theirs", async () => {
    const { guests, collection, twin, other, team } = world;
    const [theirs] = (await as(guests.elsewhere, "collections.items", { collection: other })).items;
    const placement = theirs!.id;
    const wrong: [ActionName, object][] = [
      ["placements.add", { collection, resource: twin }],
      ["placements.copy-many", { collection, resources: [twin], ids: [twin] }],
      ["placements.copy-many", { collection, placements: [placement], ids: [twin] }],
      ["placements.move-many", { collection, placements: [placement] }],
      ["placements.remove-many", { team, placements: [placement] }],
      ["tags.change", { team, resources: [twin], add: ["x"] }],
      ["resources.set-kind", { team, resources: [twin], kind: "video" }],
      ["capture.note", { team, collection: other, text: "x" }],
      ["capture.note", { team, text: "x" }],
      ["reading.read", { resource: twin }],
    ];
    for (const [name, input] of wrong)
      await expect(as(guests.editor, name, input), name).rejects.toMatchObject({ kind: "not-found" });
    await expect(as(guests.editor, "collections.edit", { collection, framedBy: "*" })).rejects.toMatchObject({
      kind: "not-allowed",
    });
  });

  test("is not found out by bringing in what it has", async () => {
    const { owner, guests, team, collection, other } = world;
    const address = "https://bog.example/kept-there";
    const there = await as(owner, "capture.address", { team, collection: other, address });
    await as(owner, "resources.edit", { resource: there.resource.id, title: PLANTED });
    const brought = await as(guests.contributor, "capture.address", { team, collection, address });
    expect(JSON.stringify(brought)).not.toContain(PLANTED);
    expect(brought).toMatchObject({ already: false, places: [] });
    expect(brought.resource.id).not.toBe(there.resource.id);
    // The team is told, once it has been read; they are not.
    await database()
      .update(resource)
      .set({ duplicateOf: there.resource.id })
      .where(eq(resource.id, brought.resource.id));
    const asked = { resource: brought.resource.id };
    expect((await as(owner, "resources.read", asked)).resource.duplicateOf).toBe(there.resource.id);
    expect((await as(guests.viewer, "resources.read", asked)).resource.duplicateOf).toBeNull();
    expect(JSON.stringify(await as(guests.viewer, "collections.items", { collection }))).not.toContain(
      there.resource.id,
    );
    // What they see already is not brought in twice.
    const again = await as(guests.contributor, "capture.address", { team, collection, address });
    expect(again).toMatchObject({ already: true, resource: { id: brought.resource.id } });
    expect(again.places).toHaveLength(1);
  });
});

test("what moves into a guest's collection is seen by them, and what moves out is not", async () => {
  const { owner, team, collection } = await makeWorld();
  const guest = await guestOf(owner, collection, "editor");
  const { collection: part } = await as(owner, "collections.make", {
    team,
    title: "A part",
    parent: collection,
  });
  const { section } = await as(guest, "sections.make", { collection: part.id, title: "Written by a guest" });
  await as(owner, "collections.move", { collection: part.id, parent: null });
  await expect(as(guest, "collections.read", { collection: part.id })).rejects.toMatchObject({
    kind: "not-found",
  });
  await expect(as(guest, "sections.edit", { section: section.id, title: "x" })).rejects.toMatchObject({
    kind: "not-found",
  });
  // What they did in it is not theirs to take back from outside.
  await expect(as(guest, "history.undo", { team })).rejects.toMatchObject({ kind: "not-allowed" });
  await as(owner, "collections.move", { collection: part.id, parent: collection });
  expect(await as(guest, "history.undo", { team })).toMatchObject({ done: true });
  // The whole lies in another one: nothing changes for who was let into it.
  const { collection: above } = await as(owner, "collections.make", { team, title: "Above" });
  await as(owner, "collections.move", { collection, parent: above.id });
  const read = await as(guest, "collections.read", { collection });
  expect(read).toMatchObject({ above: [], collection: { parent: null, role: "editor", guest: true } });
});

test("the stronger of both holds for who is in the team, and sees all of it all the same", async () => {
  const { owner, viewer, team, collection } = await makeWorld();
  const { invitation } = await as(owner, "guests.make-link", { collection, role: "editor" });
  const later = await somebody("later");
  await as(later, "invitations.accept", { code: invitation.code });
  const { invitation: into } = await as(owner, "invitations.make", { team, role: "viewer" });
  await as(later, "invitations.accept", { code: into.code });
  await as(later, "sections.make", { collection, title: "As an editor here" });
  const { collection: other } = await as(owner, "collections.make", { team, title: "Another" });
  expect((await as(later, "collections.read", { collection: other.id })).collection.guest).toBe(false);
  await expect(as(later, "sections.make", { collection: other.id, title: "x" })).rejects.toMatchObject({
    kind: "not-allowed",
  });
  // Whoever is in the team needs no letting in, and is not listed as a guest.
  await as(viewer, "invitations.accept", { code: invitation.code });
  const { guests } = await as(owner, "guests.read", { collection });
  expect(guests.map((one) => one.id)).toEqual([later.person!.id]);
  // Taken out of the team they are out of its collections too.
  await as(owner, "members.remove", { team, person: later.person!.id });
  await expect(as(later, "collections.read", { collection })).rejects.toMatchObject({ kind: "not-found" });
});

test("whoever is a viewer of the team and was let in as an editor is one there, and nowhere else", async () => {
  const { owner, team, collection } = await makeWorld();
  const both = await guestOf(owner, collection, "editor");
  const { invitation } = await as(owner, "invitations.make", { team, role: "viewer" });
  await as(both, "invitations.accept", { code: invitation.code });
  const { collection: other } = await as(owner, "collections.make", { team, title: "Another" });
  const { item, resource: there } = await as(owner, "capture.note", {
    ...{ team, collection: other.id, text: "Stands in the other one" },
  });
  const placements = [item!.id];
  const wrong: [ActionName, object][] = [
    ["placements.remove-many", { team, placements }],
    ["placements.move-many", { collection, placements }],
    ["tags.change", { team, resources: [there.id], add: ["x"] }],
    ["resources.set-kind", { team, resources: [there.id], kind: "video" }],
    // What others see of it from outside is said by those who publish, and they do not.
    ["collections.edit", { collection, framedBy: "*" }],
  ];
  for (const [name, input] of wrong)
    await expect(as(both, name, input), name).rejects.toMatchObject({ kind: "not-allowed" });
  // They see all of it, so they may place it where they arrange, and take that back.
  const { entry } = await as(both, "placements.add", { collection, resource: there.id });
  expect(await as(both, "history.undo", { team, entry })).toMatchObject({ done: true });
});

test("what a guest does not see any more they do not change by taking something back", async () => {
  const { owner, team, collection, resource: thing, placement } = await makeWorld();
  const guest = await guestOf(owner, collection, "contributor");
  await as(guest, "resources.edit", { resource: thing, title: "As a guest called it" });
  await as(owner, "placements.remove", { placement });
  await expect(as(guest, "history.undo", { team })).rejects.toMatchObject({ kind: "not-allowed" });
});

test("guests are let into one collection by mail, once each, and leave or are taken out", async () => {
  const { owner, editor, viewer, collection } = await makeWorld();
  const ada = await somebody("ada");
  const asked = { collection, role: "contributor", addresses: [ada.person!.email, viewer.person!.email] };
  const first = await as(editor, "guests.invite", asked);
  expect(first).toMatchObject({ invited: [{ again: false }], already: [viewer.person!.email] });
  expect(await as(owner, "guests.invite", asked)).toMatchObject({ invited: [{ again: true }] });
  const { invitations } = await as(editor, "guests.read", { collection });
  expect(invitations).toHaveLength(1);
  const { code } = invitations[0]!;
  await expect(as(viewer, "invitations.accept", { code })).rejects.toMatchObject({
    kind: "not-allowed",
  });
  expect(await as(ada, "invitations.read", { code })).toMatchObject({ title: "A collection", isForMe: true });
  const taken = await Promise.all([1, 2].map(() => as(ada, "invitations.accept", { code })));
  expect(taken.map((one) => one.collection)).toEqual([collection, collection]);
  expect((await as(ada, "guests.let-into", {})).collections).toMatchObject([
    { id: collection, role: "contributor" },
  ]);
  expect((await as(editor, "guests.read", { collection })).invitations).toEqual([]);
  const person = ada.person!.id;
  await as(editor, "guests.set-role", { collection, person, role: "viewer" });
  const bob = await guestOf(owner, collection, "editor");
  await expect(as(bob, "guests.remove", { collection, person })).rejects.toMatchObject({
    kind: "not-allowed",
  });
  await as(ada, "guests.remove", { collection, person });
  await expect(as(ada, "collections.read", { collection })).rejects.toMatchObject({ kind: "not-found" });
  await as(editor, "guests.remove", { collection, person: bob.person!.id });
  expect((await as(editor, "guests.read", { collection })).guests).toEqual([]);
});
