import { sitesToLeaveOut } from "@/core/rules/wrong";
import { findRule, latestHits, saidOfSites } from "@/data/queries/rules";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadDid {
  @Id() rule: string;
}

const MOST = 50;

export const readDid = reading({
  name: "rules.did",
  about:
    "What a rule did or suggested, the latest 50 first, and the sites it was nearly always wrong about, which it could leave out.",
  input: ReadDid,
  allow: can.see("rule"),
  run: async ({ input, tx }) => {
    const rule = (await findRule(tx, input.rule))!;
    return {
      hits: await latestHits(tx, rule.id, MOST),
      leaveOut: sitesToLeaveOut(rule.when, rule.unless, await saidOfSites(tx, rule.id)),
    };
  },
});
