import { expect, test } from "vitest";
import { newId } from "@/outside/random";
import { as, makeWorld } from "./world";

/** A collection with three things in a section: an address nobody has read yet, and notes that take adults 10 and 20 minutes. */
async function threeTexts() {
  const world = await makeWorld();
  const { editor, team } = world;
  const { collection } = await as(editor, "collections.make", { team, title: "Week one" });
  const { section } = await as(editor, "sections.make", { collection: collection.id, title: "Read" });
  const placements = [newId(), newId(), newId()] as const;
  const there = { team, collection: collection.id, section: section.id };
  const address = `https://bog.example/${newId()}`;
  await as(editor, "capture.address", { ...there, address, placement: placements[0] });
  for (const [i, words] of [2_380, 4_760].entries())
    await as(editor, "capture.note", {
      ...{ ...there, text: "bog ".repeat(words), placement: placements[i + 1]! },
      title: `${words} words`,
    });
  const look = () => as(editor, "load.read", { collection: collection.id });
  return { ...world, collection: collection.id, section: section.id, placements, look };
}

test("what does not fit is put into a section that is not counted, in its order, and comes back in one step", async () => {
  const { editor, team, collection, section, placements, look } = await threeTexts();
  const before = await look();
  const fit = (ids: string[], id = newId()) =>
    as(editor, "collections.fit", { collection, placements: ids, title: "If there is time", section: id });
  const { entry, section: beyond } = await fit(placements.slice(1));
  const after = await look();
  expect(after.sections.map(({ title, beyond }) => [title, beyond])).toEqual([
    ["Read", false],
    ["If there is time", true],
  ]);
  expect(after.items.map((item) => [item.id, item.section])).toEqual([
    [placements[0], section],
    [placements[1], beyond],
    [placements[2], beyond],
  ]);
  // What goes later goes behind it, and nothing that is there goes twice.
  expect(await fit([placements[0]!, placements[1]!])).toMatchObject({ section: beyond, moved: 1 });
  expect((await look()).items.map(({ id }) => id)).toEqual([placements[1], placements[2], placements[0]]);
  await as(editor, "history.undo", { team });
  await as(editor, "history.undo", { team, entry });
  expect(await look()).toEqual(before);
});

test("what is of another collection is not put away with it, nor is anything by an id that is taken", async () => {
  const [one, other] = [await threeTexts(), await threeTexts()];
  const fit = (placements: string[], section: string) =>
    as(one.editor, "collections.fit", { collection: one.collection, placements, title: "Later", section });
  await expect(fit([other.placements[0]!], newId())).rejects.toMatchObject({ code: "not-found" });
  await expect(fit([one.placements[0]!], one.section)).rejects.toMatchObject({ code: "id-taken" });
  expect((await one.look()).sections).toHaveLength(1);
});

test("a week takes as long as its readers need for it, what is for whoever has time left is not counted", async () => {
  const { editor, team, collection, placements, look } = await threeTexts();
  const { collection: course } = await as(editor, "collections.make", { team, title: "Course" });
  await as(editor, "collections.move", { collection, parent: course.id, after: null });
  await as(editor, "collections.edit", { collection: course.id, readingPace: 119 });
  await as(editor, "placements.edit", { placement: placements[1], taskMinutes: 7, mustStay: true });
  const here = await look();
  expect(here).toMatchObject({ pace: 119, above: { pace: 119, title: "Course" } });
  expect(here.items.map(({ load, mustStay }) => [load.reading, load.task, load.unknown, mustStay])).toEqual([
    [0, 0, 1, false],
    [20, 7, 0, true],
    [40, 0, 0, false],
  ]);
  const row = async () =>
    (await as(editor, "load.course", { team })).collections.find((one) => one.id === collection);
  expect(await row()).toMatchObject({ reading: 60, task: 7, unknown: 1, depth: 1, pace: 119 });
  await as(editor, "collections.fit", { collection, placements: [placements[2]], title: "Later" });
  expect(await row()).toMatchObject({ reading: 20, task: 7, unknown: 1 });
  // Whoever looks it over before it goes out is told the same.
  expect((await as(editor, "share.look-over", { collection })).holds.minutes).toBe(27);
});

test("how good something was judged is known when it is chosen, but not what is said in a blind round", async () => {
  const { editor, owner, team, collection, look } = await threeTexts();
  const { criteria } = await as(editor, "criteria.save", {
    ...{ team, name: "One question" },
    content: [{ id: "a", name: "Good", question: "", scale: "five", guide: [], weight: 1 }],
  });
  const people = [editor.person!.id, owner.person!.id];
  const { round } = await as(editor, "rounds.start", {
    ...{ team, title: "Blind", criteria: criteria.id, collection, people, each: 2, blind: true },
  });
  const [thing] = (await as(editor, "rounds.look", { round: round.id })).things;
  const give = (actor: typeof editor, step: number) =>
    as(actor, "appraisals.give", {
      ...{ resource: thing!.resource.id, criteria: criteria.id, number: 1, round: round.id },
      answers: { a: { step } },
    });
  await give(editor, 5);
  await give(owner, 3);
  const judged = async () => (await look()).items.map((item) => item.judged);
  expect(await judged()).toEqual([null, null, null]);
  await as(editor, "rounds.edit", { round: round.id, state: "settling" });
  expect((await judged()).filter((one) => one !== null)).toEqual([0.75]);
});
