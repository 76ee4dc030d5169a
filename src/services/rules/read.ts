import { groupBy } from "@/core/list/group-by";
import { HIT_STATES, type HitState } from "@/core/rules/wrong";
import { countHits, rulesOf } from "@/data/queries/rules";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadRules {
  @Id() team: string;
}

export const readRules = reading({
  name: "rules.read",
  about: "The rules of a team, and how often each did something, suggested it, or was wrong.",
  input: ReadRules,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    const rules = await rulesOf(tx, input.team);
    const counted = groupBy(
      await countHits(
        tx,
        rules.map((one) => one.id),
      ),
      (one) => one.rule,
    );
    const said = (rule: string) =>
      Object.fromEntries(
        HIT_STATES.map((state) => [state, counted.get(rule)?.find((one) => one.state === state)?.count ?? 0]),
      ) as Record<HitState, number>;
    return {
      rules: rules.map(({ acts, deletedAt: _d, unless, ...rest }) => ({
        ...rest,
        acts: acts === 1,
        /** What it leaves out although it fits. */
        unless: unless ?? [],
        /** How many it did, suggests still, was declined for, and was wrong about. */
        said: said(rest.id),
      })),
    };
  },
});
