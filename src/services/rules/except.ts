import { IsBoolean } from "class-validator";
import { ruleFits, type RuleUnless } from "@/core/rules/fits";
import { lockRule, setUnless } from "@/data/queries/rules";
import { action } from "@/mechanism/action";
import { Id, MaybeText } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";

class ExceptRule {
  @Id() rule: string;
  @MaybeText(200) host?: string;
  @MaybeText(200) sender?: string;
  @MaybeText(120) word?: string;
  /** False: it is no longer left out. */
  @IsBoolean() out: boolean;
}

/** So much one rule leaves out; whoever has more to leave out has another rule in mind. */
const MOST = 50;

export const exceptRule = action({
  name: "rules.except",
  about: "Leaves a site, a sender or a word out of a rule from now on, or no longer.",
  input: ExceptRule,
  allow: can.arrange("rule"),
  locks: null,
  history: null,
  run: async ({ input, tx, emit }) => {
    const { host, sender, word } = input;
    const named = host ? { host } : sender ? { sender } : word ? { word } : null;
    if (!named) throw fieldProblem("word", "rule-without-exception");
    const rule = (await lockRule(tx, input.rule))!;
    const same = (one: RuleUnless) => JSON.stringify(one) === JSON.stringify(named);
    const others = (rule.unless ?? []).filter((one) => !same(one));
    if (input.out && others.length >= MOST) throw fieldProblem("word", "rule-with-many-exceptions");
    // What leaves out all it asks for would end the rule without a word.
    const facts = { host: "", sender: "", title: "", tags: rule.when.tag ? [rule.when.tag] : [] };
    const all = {
      ...facts,
      host: rule.when.host ?? "",
      sender: rule.when.sender ?? "",
      title: rule.when.word ?? "",
    };
    if (input.out && ruleFits(named, all)) throw fieldProblem("word", "rule-all-left-out");
    await setUnless(tx, rule.id, input.out ? [...others, named] : others);
    emit({ verb: "rules.except", subject: rule.id, data: { title: rule.name } });
    return { unless: input.out ? [...others, named] : others };
  },
});
