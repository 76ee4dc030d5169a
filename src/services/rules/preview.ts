import { type RuleFacts, ruleFits } from "@/core/rules/fits";
import type { Tx } from "@/data/database";
import { tagsOf } from "@/data/queries/resources";
import { findRule, pageForRules, type RuleRow, senderOf } from "@/data/queries/rules";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class PreviewRule {
  @Id() rule: string;
}

const PAGE = 1000;
/** So many resources are looked at in one go; a larger catalogue is told to be so. */
const MOST = 20_000;

export const previewRule = reading({
  name: "rules.preview",
  about:
    "Which resources of the catalogue a rule fits: how many, and the newest of them. Nothing is changed.",
  input: PreviewRule,
  allow: can.arrange("rule"),
  run: async ({ input, tx }) => {
    const rule = (await findRule(tx, input.rule))!;
    const { fitting, looked } = await fittingResources(tx, rule);
    return { count: fitting.length, looked, resources: fitting.slice(0, 20) };
  },
});

/** Resources a rule fits, newest first. */
export async function fittingResources(tx: Tx, rule: RuleRow) {
  const asksSender = [rule.when, ...(rule.unless ?? [])].some((one) => "sender" in one);
  const fitting: { id: string; title: string }[] = [];
  let before: string | null = null;
  let looked = 0;
  for (;;) {
    const page: Awaited<ReturnType<typeof pageForRules>> = await pageForRules(tx, rule.team, before, PAGE);
    const tags = rule.when.tag
      ? await tagsOf(
          tx,
          page.map((one) => one.id),
        )
      : new Map<string, string[]>();
    for (const one of page) {
      const facts: RuleFacts = {
        ...one,
        tags: tags.get(one.id) ?? [],
        sender: asksSender ? await senderOf(tx, one.id) : "",
      };
      if (ruleFits(rule.when, facts, rule.unless)) fitting.push({ id: one.id, title: one.title });
    }
    looked += page.length;
    before = page.at(-1)?.id ?? null;
    if (page.length < PAGE || looked >= MOST) return { fitting, looked };
  }
}
