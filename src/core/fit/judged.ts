import type { Answers } from "../appraise/answers";
import type { Criterion } from "../appraise/criteria";
import { scoreOfThing } from "../appraise/ranking";
import { groupBy } from "../list/group-by";

/** What was said of a thing by one set of criteria, by one person or agreed on by several. */
type Said = {
  resource: string;
  agreed: boolean;
  answers: Answers;
  content: readonly Criterion[];
  /** The same for those who answered the same words. */
  set: string;
};

/** How good each thing was judged, from 0 to 1: by every set of criteria it was judged by, and the mean of these. */
export function judgedOf(said: readonly Said[]): Map<string, number> {
  const scores = [...groupBy(said, ({ resource, set }) => `${resource} ${set}`).values()].flatMap((some) => {
    const { resource, content } = some[0]!;
    const steps = ({ answers }: Said) => ({
      steps: content.map(({ id }) => (answers[id] ? (answers[id].step ?? 0) : null)),
    });
    const agreed = some.findLast((one) => one.agreed);
    const thing = {
      said: some.filter((one) => !one.agreed).map(steps),
      agreed: agreed ? steps(agreed) : null,
    };
    const score = scoreOfThing(thing, content);
    return score === null ? [] : [{ resource, score }];
  });
  return new Map(
    [...groupBy(scores, ({ resource }) => resource)].map(([resource, some]) => [
      resource,
      some.reduce((sum, { score }) => sum + score, 0) / some.length,
    ]),
  );
}
