import { expect, test } from "vitest";
import { valuesOf } from "@/core/appraise/sides";
import { SCREENING, STARTER } from "@/core/appraise/starter-criteria";
import { resourceText } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { as, makeWorld, somebody, type World } from "./world";

const whole = (steps: (number | null)[], why?: string) =>
  Object.fromEntries(
    STARTER.criteria.map(({ id }, i) => [id, { step: steps[i] ?? null, ...(i === 0 && why && { why }) }]),
  );

/** Ten things of a collection, shared out to two who judge blind. */
async function makeRound(world: World, { blind = true, things = 3 } = {}) {
  const { owner, editor, team } = world;
  const { collection } = await as(owner, "collections.make", { team, title: "To be judged" });
  for (let i = 0; i < things; i++)
    await as(owner, "capture.address", {
      ...{ team, address: `https://bog.example/${newId()}`, collection: collection.id, section: null },
    });
  const { criteria } = await as(owner, "criteria.save", {
    team,
    name: "A source",
    content: STARTER.criteria,
  });
  const { round } = await as(owner, "rounds.start", {
    ...{ team, title: "First look", criteria: criteria.id, collection: collection.id, blind, each: 2 },
    people: [owner.person!.id, editor.person!.id],
  });
  const { things: all } = await as(owner, "rounds.look", { round: round.id });
  const give = (who: World["owner"], at: number, steps: (number | null)[], why?: string) =>
    as(who, "appraisals.give", {
      ...{ resource: all[at]!.resource.id, criteria: criteria.id, number: 1, round: round.id },
      answers: whole(steps, why),
    });
  return {
    round: round.id,
    criteria: criteria.id,
    collection: collection.id,
    resources: all.map((one) => one.resource.id),
    give,
  };
}

/** As if the page had been read again, and had other words. */
async function becomesAnother(resource: string): Promise<void> {
  const copy = {
    html: "<p>Other words.</p>",
    text: "Other words.",
    origin: "fetched",
    signature: "",
  } as const;
  await database()
    .insert(resourceText)
    .values({ resource, ...copy, at: new Date(), number: 2 })
    .onDuplicateKeyUpdate({ set: { number: 2 } });
}

test("what one thinks in a blind round nobody else sees anywhere, until it is opened; then it stands", async () => {
  const world = await makeWorld();
  const { owner, editor, viewer, team } = world;
  const { round, resources, give } = await makeRound(world);
  await give(owner, 0, [3, 2, 1, 2, 3], "aaltwort");
  const everything = async () =>
    JSON.stringify([
      await as(editor, "rounds.look", { round }),
      await as(editor, "rounds.read", { team }),
      await as(editor, "appraisals.of-resource", { resource: resources[0]! }),
      await as(editor, "events.recent", { team }),
      await as(editor, "resources.history", { resource: resources[0]! }),
      await as(viewer, "rounds.look", { round }),
    ]);
  const before = await everything();
  expect(before).not.toContain("aaltwort");
  expect((await as(editor, "rounds.look", { round })).things[0]!.said).toMatchObject([
    { whole: true, steps: [] },
  ]);
  expect((await as(owner, "rounds.look", { round })).things[0]!.said).toMatchObject([
    { steps: [3, 2, 1, 2, 3] },
  ]);
  await as(owner, "rounds.edit", { round, state: "settling" });
  expect(await everything()).toContain("aaltwort");
  await expect(give(editor, 0, [1, 1, 1, 1, 1])).rejects.toMatchObject({ code: "round-not-judging" });
  await expect(as(owner, "rounds.edit", { round, state: "judging" })).rejects.toMatchObject({
    code: "round-opened",
  });
});

test("what is agreed on stands beside what each thought, with who agreed, and is taken back in one", async () => {
  const world = await makeWorld();
  const { owner, editor, team } = world;
  const { round, resources, give } = await makeRound(world);
  await give(owner, 0, [3, 3, 3, 3, 3]);
  await give(editor, 0, [1, 3, 3, 3, 3]);
  const agree = () =>
    as(editor, "appraisals.agree", {
      round,
      resource: resources[0]!,
      answers: whole([2, 3, 3, 3, 3], "of 2019"),
    });
  await expect(agree()).rejects.toMatchObject({ code: "round-not-settling" });
  await as(owner, "rounds.edit", { round, state: "settling" });
  const { entry } = await agree();
  const [thing] = (await as(owner, "rounds.look", { round })).things;
  expect(thing).toMatchObject({
    said: [{ steps: expect.anything() }, { steps: expect.anything() }],
    agreed: {
      steps: [2, 3, 3, 3, 3],
      why: { currency: "of 2019" },
      people: expect.arrayContaining(["editor"]),
    },
  });
  expect(thing!.said.map(({ steps }) => steps[0]).sort()).toEqual([1, 3]);
  await as(editor, "history.undo", { team, entry });
  expect((await as(owner, "rounds.look", { round })).things[0]!.agreed).toBeNull();
  await agree();
  expect((await as(owner, "rounds.look", { round })).things[0]!.agreed).toMatchObject({
    steps: [2, 3, 3, 3, 3],
  });
});

test("a third is asked once it is opened, judges then, is heard when settling and no measure of agreement", async () => {
  const world = await makeWorld();
  const { owner, editor, contributor, viewer } = world;
  const { round, resources, give } = await makeRound(world, { things: 2 });
  const [resource] = resources;
  const person = contributor.person!.id;
  const third = (asked = true, who = person) =>
    as(editor, "rounds.ask-third", { round, resource: resource!, person: who, asked });
  await expect(third()).rejects.toMatchObject({ code: "round-not-settling" });
  await give(owner, 0, [3, 3, 3, 3, 3]);
  await give(editor, 0, [1, 3, 3, 3, 3]);
  await as(owner, "rounds.edit", { round, state: "settling" });
  await expect(give(contributor, 0, [2, 3, 3, 3, 3])).rejects.toMatchObject({ code: "round-not-judging" });
  await expect(third(true, viewer.person!.id)).rejects.toMatchObject({ errors: [{ field: "person" }] });
  await Promise.all([third(), third()]);
  await third(false);
  expect((await as(contributor, "notices.read", {})).toJudge).toEqual([]);
  await third();
  expect((await as(contributor, "notices.read", {})).toJudge).toMatchObject([{ round, left: 1 }]);
  // Only what they are asked about, and only they.
  await expect(give(contributor, 1, [2, 3, 3, 3, 3])).rejects.toMatchObject({ code: "round-not-judging" });
  await expect(give(editor, 0, [2, 3, 3, 3, 3])).rejects.toMatchObject({ code: "round-not-judging" });
  await give(contributor, 0, [2, 3, 3, 3, 3]);
  await expect(third(false)).rejects.toMatchObject({ code: "has-judged" });
  const { people, things } = await as(owner, "rounds.look", { round });
  const at = people.findIndex((one) => one.id === person);
  expect(things[0]).toMatchObject({
    thirds: [at],
    said: expect.arrayContaining([expect.objectContaining({ person: at })]),
  });
  expect(things[0]!.judges).toHaveLength(3);
  expect(
    valuesOf(
      things,
      0,
      people.map((_, i) => i),
    )[0]!.toSorted(),
  ).toEqual([1, 3, null]);
  await as(owner, "appraisals.agree", { round, resource: resource!, answers: whole([2, 3, 3, 3, 3]) });
  expect((await as(owner, "rounds.look", { round })).things[0]!.agreed!.people).toHaveLength(3);
});

test("how far each thing is judged is told of a collection, and before it goes out, and no dispute of a blind round", async () => {
  const world = await makeWorld();
  const { owner, editor, viewer } = world;
  const { round, resources, collection, give } = await makeRound(world, { things: 4 });
  const onDesk = async () => (await as(editor, "notices.read", {})).toJudge;
  expect(await onDesk()).toEqual([{ round, team: world.team, title: "First look", left: 4 }]);
  const told = async () => {
    const { weighed } = await as(viewer, "appraisals.of-collection", { collection });
    const found = (await as(owner, "share.look-over", { collection })).findings.filter(({ kind }) =>
      ["in-dispute", "judged-before", "unjudged"].includes(kind),
    );
    return {
      far: resources.map((id) => weighed.find((one) => one.resource === id)?.is ?? "no"),
      found: resources.map((id) => found.find((one) => one.resource === id)?.kind ?? null),
    };
  };
  expect(await told()).toEqual({ far: ["no", "no", "no", "no"], found: [null, null, null, null] });
  await give(owner, 0, [3, 3, 3, 3, 3]);
  await give(editor, 0, [1, 3, 3, 3, 3]);
  // The same, whichever question was answered first.
  await give(owner, 1, [3, 2, 3, 3, 3], "why");
  await give(editor, 1, [3, 2, 3, 3, 3]);
  await give(owner, 2, [3, 3, 3, 3, 3]);
  expect(await onDesk()).toMatchObject([{ left: 2 }]);
  expect(await told()).toEqual({
    far: ["some", "some", "one", "no"],
    found: [null, null, null, "unjudged"],
  });
  await as(owner, "rounds.edit", { round, state: "settling" });
  expect(await onDesk()).toEqual([]);
  expect((await told()).far).toEqual(["in dispute", "some", "one", "no"]);
  await as(owner, "appraisals.agree", { round, resource: resources[0]!, answers: whole([2, 3, 3, 3, 3]) });
  await becomesAnother(resources[2]!);
  expect(await told()).toEqual({
    far: ["agreed", "some", "old", "no"],
    found: [null, null, "judged-before", "unjudged"],
  });
  await as(owner, "rounds.remove", { round });
  expect((await told()).far).toEqual(["no", "no", "no", "no"]);
});

test("judgements stay with the words they were given to, and a round with the words it began with", async () => {
  const world = await makeWorld();
  const { owner, team, resource } = world;
  const { round, criteria } = await makeRound(world);
  await as(owner, "appraisals.give", { resource, criteria, number: 1, answers: whole([3, 3, 3, 3, 3]) });
  const content = [{ ...STARTER.criteria[0]!, name: "Freshness" }];
  expect(await as(owner, "criteria.save", { team, criteria, name: "A source", content })).toMatchObject({
    criteria: { number: 2 },
  });
  // Nothing is written twice for the same words.
  expect(await as(owner, "criteria.save", { team, criteria, name: "Sources", content })).toMatchObject({
    criteria: { number: 2 },
  });
  const { appraisals } = await as(owner, "appraisals.of-resource", { resource });
  expect(appraisals[0]!.content[0]!.name).toBe("Currency");
  expect((await as(owner, "rounds.look", { round })).criteria).toHaveLength(5);
  await expect(
    as(owner, "appraisals.give", { resource, criteria, number: 2, answers: whole([3, 3]) }),
  ).rejects.toMatchObject({ code: "answers-not-readable" });
});

test("one judges what was given to one, once in each place, however often it is sent at once", async () => {
  const world = await makeWorld();
  const { owner, contributor, resource } = world;
  const { round, criteria, resources, give } = await makeRound(world);
  await expect(give(contributor, 0, [3, 3, 3, 3, 3])).rejects.toMatchObject({ code: "not-yours-to-judge" });
  await Promise.all([1, 2, 3].map((step) => give(owner, 1, [step, step, step, step, step])));
  await Promise.all(
    [1, 2, 3].map((step) =>
      as(owner, "appraisals.give", { resource, criteria, number: 1, answers: whole([step, 1, 1, 1, 1]) }),
    ),
  );
  const { appraisals } = await as(owner, "appraisals.of-resource", { resource: resources[1]! });
  expect(appraisals).toHaveLength(1);
  expect((await as(owner, "appraisals.of-resource", { resource })).appraisals).toHaveLength(1);
  expect((await as(owner, "rounds.look", { round })).things[1]!.said).toHaveLength(1);
});

test("a judgement is taken back, and given anew; others are left alone", async () => {
  const world = await makeWorld();
  const { owner, editor, team } = world;
  const { round, give } = await makeRound(world, { blind: false });
  await give(editor, 0, [1, 1, 1, 1, 1]);
  const { entry } = await give(owner, 0, [3, 3, 3, 3, 3]);
  await as(owner, "history.undo", { team, entry });
  const said = async () => (await as(owner, "rounds.look", { round })).things[0]!.said;
  expect(await said()).toMatchObject([{ steps: [1, 1, 1, 1, 1] }]);
  await give(owner, 0, [2, 2, 2, 2, 2]);
  expect(await said()).toHaveLength(2);
});

test("only people of the team who bring in judge, and only what is of the team is judged", async () => {
  const world = await makeWorld();
  const { owner, viewer, team, collection } = world;
  const { criteria } = await makeRound(world);
  const other = await makeWorld();
  const start = (more: object) =>
    as(owner, "rounds.start", {
      ...{ team, title: "Another", criteria, collection, people: [owner.person!.id], each: 1, blind: true },
      ...more,
    });
  const refused = (more: object, code: string) => expect(start(more)).rejects.toMatchObject({ code });
  await refused({ people: [viewer.person!.id] }, "nobody-to-judge");
  await refused({ people: [(await somebody("stranger")).person!.id] }, "nobody-to-judge");
  await refused({ each: 2 }, "too-few-to-judge");
  await expect(start({ collection: other.collection })).rejects.toMatchObject({ code: "not-found" });
  await expect(start({ collection: undefined, resources: [other.resource] })).rejects.toMatchObject({
    code: "not-found",
  });
  const id = newId();
  await Promise.all([start({ round: id }), start({ round: id })]);
  const { rounds } = await as(owner, "rounds.read", { team });
  expect(rounds.filter((one) => one.id === id)).toMatchObject([{ things: 1, mine: 1, mineDone: 0 }]);
});

test("made one of two, what was thought of either on its own is with the one that stays", async () => {
  const world = await makeWorld();
  const { owner, editor, team, resource } = world;
  const { criteria } = await makeRound(world);
  const { resource: gone } = await as(owner, "capture.address", {
    team,
    address: `https://bog.example/${newId()}`,
  });
  const judge = (who: World["owner"], it: string, step: number) =>
    as(who, "appraisals.give", { resource: it, criteria, number: 1, answers: whole([step, 1, 1, 1, 1]) });
  await judge(owner, resource, 3);
  await judge(owner, gone.id, 1);
  await judge(editor, gone.id, 2);
  const { entry } = await as(owner, "duplicates.merge", { resource, gone: gone.id });
  const steps = async (of: string) =>
    (await as(owner, "appraisals.of-resource", { resource: of })).appraisals
      .map(({ answers }) => answers.currency!.step)
      .sort();
  expect(await steps(resource)).toEqual([2, 3]);
  await as(owner, "history.undo", { team, entry });
  expect([await steps(resource), await steps(gone.id)]).toEqual([[3], [1, 2]]);
});

test("what was judged is found by how far it has come, and by nothing of what anybody thinks", async () => {
  const world = await makeWorld();
  const { owner, editor, team, resource } = world;
  const { round, resources, give } = await makeRound(world);
  const found = async (who: World["owner"], wish: string) =>
    (await as(who, "search.find", { team, query: `appraised:${wish}` })).results.map((one) => one.id).sort();
  const all = [...resources, resource].sort();
  expect(await found(owner, "no")).toEqual(all);
  await give(owner, 0, [3, 3, 3, 3, 3]);
  expect(await found(editor, "yes")).toEqual([resources[0]]);
  expect(await found(editor, "no")).toEqual(all.filter((one) => one !== resources[0]));
  expect([await found(owner, "me"), await found(editor, "me")]).toEqual([[resources[0]], []]);
  await as(owner, "rounds.edit", { round, state: "settling" });
  await as(owner, "appraisals.agree", { round, resource: resources[0]!, answers: whole([3, 3, 3, 3, 3]) });
  expect(await found(editor, "agreed")).toEqual([resources[0]]);
  expect(await found(editor, "old")).toEqual([]);
  await becomesAnother(resources[0]!);
  expect(await found(editor, "old")).toEqual([resources[0]]);
});

test("a screening goes on with what it has not left out, once it is known", async () => {
  const world = await makeWorld();
  const { owner, editor, team, collection } = world;
  const content = SCREENING.criteria;
  const { criteria } = await as(owner, "criteria.save", { team, name: SCREENING.name, content });
  for (let i = 0; i < 3; i++)
    await as(owner, "capture.address", {
      ...{ team, address: `https://bog.example/${newId()}`, collection, section: null },
    });
  const people = [owner.person!.id, editor.person!.id];
  const wish = { team, title: "Titles", criteria: criteria.id, people, each: 2, blind: true };
  const { round } = await as(owner, "rounds.start", { ...wish, collection });
  const resources = (await as(owner, "rounds.look", { round: round.id })).things.map(
    (one) => one.resource.id,
  );
  const say = (who: World["owner"], at: number, step: number, reason?: string) =>
    as(who, "appraisals.give", {
      ...{ resource: resources[at]!, criteria: criteria.id, number: 1, round: round.id },
      answers: { belongs: { step, reason } },
    });
  const [out, other] = content[0]!.reasons;
  await expect(as(owner, "rounds.start", { ...wish, after: round.id })).rejects.toMatchObject({
    code: "round-not-opened",
  });
  // Out for two reasons, in, in dispute, and not judged by all.
  await Promise.all([say(owner, 0, 1, out), say(editor, 0, 1, other)]);
  await Promise.all([say(owner, 1, 3), say(editor, 1, 3)]);
  await Promise.all([say(owner, 2, 3), say(editor, 2, 1, out)]);
  expect(await say(owner, 3, 1)).toMatchObject({ whole: false });
  await as(owner, "rounds.edit", { round: round.id, state: "settling" });
  await as(owner, "appraisals.agree", {
    ...{ round: round.id, resource: resources[2]! },
    answers: { belongs: { step: 1, reason: other } },
  });
  const { round: next } = await as(owner, "rounds.start", { ...wish, title: "Whole texts", after: round.id });
  const inside = await as(owner, "rounds.look", { round: next.id });
  expect(inside.things.map((one) => one.resource.id)).toEqual([resources[1], resources[3]]);
  expect(inside.round.after).toBe(round.id);
});
