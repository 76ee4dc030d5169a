import { eq } from "drizzle-orm";
import { beforeEach, describe, expect, test } from "vitest";
import { placement } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { as, makeWorld, type World } from "./world";

let world: World;
beforeEach(async () => {
  world = await makeWorld();
});

const undo = () => as(world.editor, "history.undo", { team: world.team });
const redo = () => as(world.editor, "history.redo", { team: world.team });
const read = async (collection = world.collection) =>
  (await as(world.editor, "collections.read", { collection })).items;
/** Everything that is to be the same again, without times. */
const picture = async () => {
  const { collection, sections, items } = await as(world.editor, "collections.read", {
    collection: world.collection,
  });
  return JSON.stringify({
    title: collection.title,
    sections: sections.map(({ id, title }) => [id, title]),
    items: items.map(({ id, section, position, heading, context, resource }) => [
      id,
      section,
      position,
      heading,
      context,
      resource.title,
      resource.kind,
      [...resource.tags].sort(),
    ]),
  });
};

async function fill(count: number): Promise<string[]> {
  const ids: string[] = [];
  for (let i = 0; i < count; i++) {
    const { item } = await as(world.editor, "capture.address", {
      team: world.team,
      address: `https://bog.example/${newId()}`,
      collection: world.collection,
      section: world.section,
    });
    ids.push(item!.id);
  }
  return ids;
}

describe("undo", () => {
  test("everything done on the Bench is taken back and done again, one by one, in order", async () => {
    const [a, b, c] = (await fill(3)) as [string, string, string];
    const resource = (await read()).find((item) => item.id === a)!.resource.id;
    const other = (await as(world.editor, "collections.make", { team: world.team, title: "Other" }))
      .collection.id;
    const acts: [string, object][] = [
      ["placements.move", { placement: a, section: null, after: null }],
      ["placements.edit", { placement: b, context: "Read this first" }],
      ["placements.edit", { placement: b, heading: "Our heading" }],
      ["tags.change", { team: world.team, resources: [resource], add: ["wet moss", "peat"] }],
      ["tags.remove", { resource, tag: "Peat" }],
      ["resources.edit", { resource, title: "Our title" }],
      ["resources.set-kind", { team: world.team, resources: [resource], kind: "sound" }],
      [
        "placements.move-many",
        { placements: [c, a], collection: world.collection, section: null, after: null },
      ],
      ["placements.move-many", { placements: [b], collection: other }],
      ["placements.copy-many", { placements: [a], collection: world.collection, ids: [newId()] }],
      ["resources.remove", { resource }],
      ["placements.remove-many", { team: world.team, placements: [c] }],
      ["sections.edit", { section: world.section, title: "Another name" }],
      ["sections.move", { section: world.section, after: null }],
      ["sections.remove", { section: world.section }],
      ["collections.edit", { collection: world.collection, title: "Another title" }],
    ];
    const pictures = [await picture()];
    for (const [name, input] of acts) {
      await as(world.editor, name as "teams.read", input);
      pictures.push(await picture());
    }
    // Moving the only section changes nothing that could be undone.
    const steps = pictures.filter((one, i) => one !== pictures[i - 1]);
    expect(steps).toHaveLength(acts.length);
    for (const expected of steps.slice(0, -1).reverse()) {
      expect(await undo()).toMatchObject({ done: true });
      expect(await picture()).toBe(expected);
    }
    for (const expected of steps.slice(1)) {
      expect(await redo()).toMatchObject({ done: true });
      expect(await picture()).toBe(expected);
    }
    expect(await redo()).toMatchObject({ done: false });
  });

  test("what somebody else changed since stays, it is said who did, and what was done before it can be undone", async () => {
    const [a, b] = (await fill(2)) as [string, string];
    await as(world.editor, "placements.edit", { placement: a, heading: "First of mine" });
    await as(world.editor, "placements.edit", { placement: b, heading: "Mine" });
    await as(world.owner, "placements.edit", { placement: b, heading: "Theirs" });
    const refused = await undo();
    expect(refused).toMatchObject({ done: false });
    expect("why" in refused && refused.why).toContain("by owner");
    expect((await read()).find((item) => item.id === b)!.heading).toBe("Theirs");
    expect(await undo()).toMatchObject({ done: true, words: "write a heading" });
    expect((await read()).find((item) => item.id === a)!.heading).toBe("");
    // Another field of the same thing is nobody's business.
    await as(world.editor, "placements.edit", { placement: b, context: "Mine" });
    await as(world.owner, "placements.edit", { placement: b, heading: "Theirs again" });
    expect(await undo()).toMatchObject({ done: true });
    expect((await read()).find((item) => item.id === b)).toMatchObject({
      heading: "Theirs again",
      context: "",
    });
  });

  test("a new entry ends what could be done again; nobody undoes what is not theirs", async () => {
    const [a] = (await fill(1)) as [string];
    await as(world.editor, "placements.edit", { placement: a, heading: "One" });
    await undo();
    await as(world.editor, "placements.edit", { placement: a, heading: "Two" });
    expect(await redo()).toMatchObject({ done: false });
    await undo();
    expect(await redo()).toMatchObject({ done: true });
    expect((await read()).find((item) => item.id === a)!.heading).toBe("Two");
    const { entries } = await as(world.editor, "history.read", { team: world.team });
    expect(await as(world.owner, "history.undo", { team: world.team, entry: entries[0]!.id })).toMatchObject({
      done: false,
    });
    // Who may no longer arrange may no longer undo it either.
    await as(world.owner, "members.set-role", {
      team: world.team,
      person: world.editor.person!.id,
      role: "viewer",
    });
    await expect(undo()).rejects.toMatchObject({ kind: "not-allowed" });
  });

  test("four people move, copy, take out and undo at once: nothing is lost or doubled", async () => {
    const ids = await fill(12);
    const people = [world.owner, world.editor];
    const live: string[] = [];
    await Promise.all(
      [0, 1, 2, 3].map(async (n) => {
        const who = people[n % 2]!;
        for (let i = 0; i < 25; i++) {
          const id = ids[(n * 7 + i * 5) % ids.length]!;
          const after = ids[(n * 3 + i) % ids.length]!;
          if (i % 5 === 4) await as(who, "history.undo", { team: world.team });
          else if (i % 7 === 3)
            await as(who, "placements.remove-many", { team: world.team, placements: [id] });
          else
            await as(who, "placements.move-many", {
              placements: [id],
              collection: world.collection,
              section: world.section,
              after,
            });
        }
      }),
    );
    for (const row of await database()
      .select()
      .from(placement)
      .where(eq(placement.collection, world.collection)))
      if (!row.deletedAt) live.push(row.id);
    const shown = (await read()).map((item) => item.id);
    expect(new Set(shown).size).toBe(shown.length);
    expect([...shown].sort()).toEqual(live.sort());
    expect(shown.filter((id) => id !== world.placement).every((id) => ids.includes(id))).toBe(true);
  });
});

test("what is of another team cannot be slipped into an action over many", async () => {
  const foreign = await makeWorld();
  for (const [name, input] of [
    ["placements.move-many", { placements: [foreign.placement], collection: world.collection }],
    [
      "placements.copy-many",
      { placements: [foreign.placement], collection: world.collection, ids: [newId()] },
    ],
    ["placements.copy-many", { resources: [foreign.resource], collection: world.collection, ids: [newId()] }],
    ["placements.remove-many", { team: world.team, placements: [foreign.placement] }],
    ["tags.change", { team: world.team, resources: [foreign.resource], add: ["x"] }],
    ["resources.set-kind", { team: world.team, resources: [foreign.resource], kind: "page" }],
    ["resources.remove-many", { team: world.team, resources: [foreign.resource] }],
  ] as const)
    await expect(as(world.owner, name, input), name).rejects.toMatchObject({ kind: "not-found" });
});
