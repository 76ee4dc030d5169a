import { SCREENING, STARTER } from "@/core/appraise/starter-criteria";
import type { Actor } from "@/mechanism/actor";
import { call } from "./call";
import { JUDGED, SCREENED } from "./judging";
import type { Who } from "./people";

/** Judges what is in two collections: in the first everybody has, and it is being settled; in the other one person has. */
export function judge(actors: Record<Who, Actor>, team: string, tick: () => void) {
  let criteria = "";
  const people = JUDGED.people.map((who) => actors[who].person!.id);
  const start = async (collection: string, title: string) => {
    const wish = { team, collection, title, criteria, people, each: people.length, blind: true };
    const { round } = await call(actors.ama, "rounds.start", wish);
    const { things } = await call(actors.ama, "rounds.look", { round: round.id });
    return { round: round.id, resources: things.map((thing) => thing.resource.id) };
  };
  const answers = (steps: string, why: Record<string, string> = {}) =>
    Object.fromEntries(
      STARTER.criteria.map(({ id }, i) => [
        id,
        { step: Number(steps[i]) || null, ...(why[id] && { why: why[id] }) },
      ]),
    );
  return {
    first: async (collection: string) => {
      const { name, criteria: content } = STARTER;
      ({ id: criteria } = (await call(actors.ama, "criteria.save", { team, name, content })).criteria);
      const { round, resources } = await start(collection, JUDGED.title);
      for (const [at, resource] of resources.entries())
        for (const who of JUDGED.people) {
          const whys = JUDGED.why
            .filter(([by, of]) => by === who && of === at)
            .map(([, , id, why]) => [id, why]);
          const steps = JUDGED.said[who][at % JUDGED.said[who].length]!;
          const said = answers(steps, Object.fromEntries(whys));
          await call(actors[who], "appraisals.give", { resource, criteria, number: 1, round, answers: said });
          tick();
        }
      await call(actors.ama, "rounds.edit", { round, state: "settling" });
      for (const [at, steps, why] of JUDGED.agreed) {
        const said = answers(steps, { currency: why });
        await call(actors.rhea, "appraisals.agree", { round, resource: resources[at]!, answers: said });
      }
    },
    next: async (collection: string) => {
      const { title, by, said } = JUDGED.next;
      const { round, resources } = await start(collection, title);
      for (const resource of resources) {
        const given = { resource, criteria, number: 1, round, answers: answers(said) };
        await call(actors[by], "appraisals.give", given);
        tick();
      }
    },
  };
}

/**
 * Screens what is in a collection for a review: by titles and summaries, which is done, then by whole texts, of which one is
 * still in dispute; with the searches that were made.
 */
export async function screen(
  actors: Record<Who, Actor>,
  team: string,
  collection: string,
  tick: () => void,
): Promise<void> {
  const { name, criteria: content } = SCREENING;
  const { id: belongs, reasons } = content[0]!;
  const [owner] = SCREENED.people.map((who) => actors[who]);
  const { id: criteria } = (await call(owner!, "criteria.save", { team, name, content })).criteria;
  const people = SCREENED.people.map((who) => actors[who].person!.id);
  const answer = (one: string) => {
    const reason = reasons[LETTERS.indexOf(one)];
    const step = reason ? 1 : Number(one) || null;
    return { [belongs]: { step, ...(reason && { reason }) } };
  };
  let before: string | null = null;
  for (const { title, said, agreed, state } of SCREENED.rounds) {
    const wish = { team, title, criteria, people, each: people.length, blind: true };
    const what: object = before ? { after: before } : { collection };
    const { round }: { round: { id: string } } = await call(owner!, "rounds.start", { ...wish, ...what });
    const { things } = await call(owner!, "rounds.look", { round: round.id });
    for (const [at, { resource }] of things.entries())
      for (const who of SCREENED.people) {
        const answers = answer(said[who][at]!);
        const given = { resource: resource.id, criteria, number: 1, round: round.id, answers };
        await call(actors[who], "appraisals.give", given);
        tick();
      }
    await call(owner!, "rounds.edit", { round: round.id, state: "settling" });
    for (const [at, one] of agreed)
      await call(owner!, "appraisals.agree", {
        ...{ round: round.id, resource: things[at]!.resource.id, answers: answer(one) },
      });
    if (state === "done") await call(owner!, "rounds.edit", { round: round.id, state });
    if (!before)
      for (const search of SCREENED.searches)
        await call(owner!, "search-records.save", { round: round.id, ...search });
    before = round.id;
  }
}

/** In a line of a screening: out for the first reason of the list, the second, and so on. */
const LETTERS = "abcde";
