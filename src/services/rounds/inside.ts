import type { Answers } from "@/core/appraise/answers";
import type { Criterion } from "@/core/appraise/criteria";
import type { Tx } from "@/data/database";
import { namesOfPeople } from "@/data/queries/people";
import { agreedInRound, appraisalsInRound, type RoundRow, sharedOut } from "@/data/queries/rounds";
import { criteriaAt } from "@/data/queries/weighing";

/** What one person said of a thing, as far as one may know. */
type Said = {
  /** Where they stand among the people of the round. */
  person: number;
  whole: boolean;
  /** In the order of the criteria; 0: they cannot say, null: not answered yet. */
  steps: (number | null)[];
  /** Their reasons, by the ids of the criteria. */
  why: Record<string, string>;
  /** For which of the reasons of a question it is out, by the ids of the criteria. */
  out: Record<string, string>;
};
type Thing = {
  resource: Awaited<ReturnType<typeof sharedOut>>[number]["thing"];
  judges: number[];
  /** Those of them who were asked when it had been opened. */
  thirds: number[];
  said: Said[];
  agreed: (Pick<Said, "steps" | "why" | "out"> & { people: string[]; at: Date }) | null;
};

/** What somebody is called whose account is gone. */
const GONE = "somebody who left";

/**
 * What is in a round: its questions, its people, and its things with what everybody said and what was agreed on.
 * @param who looks: while a blind round is being judged they see what they said themselves; null: nobody is told, all is counted
 */
export async function insideRound(tx: Tx, round: RoundRow, who: string | null) {
  const [content, shares, said, settled] = await Promise.all([
    criteriaAt(tx, round.criteria, round.number),
    sharedOut(tx, round.id),
    appraisalsInRound(tx, round.id),
    agreedInRound(tx, round.id),
  ]);
  const criteria = content ?? [];
  const ids = [...new Set(shares.flatMap((share) => share.people))].sort();
  const names = await namesOfPeople(tx, [...new Set([...ids, ...settled.flatMap((one) => one.people)])]);
  const places = new Map(ids.map((id, i) => [id, i]));
  const isHidden = (person: string) =>
    who !== null && round.blind && round.state === "judging" && person !== who;
  /** By their resources, in the order of the round. */
  const things = new Map<string, Thing>();
  for (const { thing: resource, people, thirds } of shares) {
    const inPlace = (some: string[]) => some.map((person) => places.get(person)!).sort((a, b) => a - b);
    const [judges, asked] = [inPlace(people), inPlace(thirds)];
    things.set(resource.id, { resource, judges, thirds: asked, said: [], agreed: null });
  }
  for (const { resource, person, answers, whole } of said)
    things.get(resource)?.said.push({
      ...{ person: places.get(person)!, whole },
      ...(isHidden(person) ? { steps: [], why: {}, out: {} } : inOrder(answers, criteria)),
    });
  const byResource = new Map(settled.map((one) => [one.resource, one]));
  for (const thing of things.values()) {
    const found = byResource.get(thing.resource.id);
    if (found)
      thing.agreed = {
        ...inOrder(found.answers, criteria),
        people: found.people.map((id) => names.get(id) ?? GONE),
        at: found.updatedAt,
      };
  }
  return {
    criteria,
    people: ids.map((id) => ({ id, name: names.get(id) ?? GONE })),
    things: [...things.values()],
  };
}

function inOrder(answers: Answers, criteria: readonly Criterion[]): Pick<Said, "steps" | "why" | "out"> {
  return {
    steps: criteria.map(({ id }) => (answers[id] ? (answers[id].step ?? 0) : null)),
    why: Object.fromEntries(
      criteria.flatMap(({ id }) => (answers[id]?.why ? [[id, answers[id].why] as const] : [])),
    ),
    out: Object.fromEntries(
      criteria.flatMap(({ id }) => (answers[id]?.reason ? [[id, answers[id].reason] as const] : [])),
    ),
  };
}
