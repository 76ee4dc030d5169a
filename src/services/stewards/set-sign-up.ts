import { asDomain, SIGN_UP, type SignUp } from "@/core/care/sign-up";
import { setSignUpRule } from "@/data/queries/care";
import { action } from "@/mechanism/action";
import { OneOf, Texts } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { noteDeed } from "./deed";

class SetSignUp {
  @OneOf(SIGN_UP) mode: SignUp;
  /** Mail domains, each for itself. */
  @Texts(50, 255) domains: string[];
}

export const setSignUp = action({
  name: "stewards.set-sign-up",
  about:
    "Decides who may sign up: everybody, those with a mail address of certain domains, or only who holds an invitation. Who has an account keeps it.",
  input: SetSignUp,
  allow: can.steward(),
  locks: null,
  history: null,
  run: async ({ input: { mode, domains: typed }, scope, tx, at }) => {
    const domains = typed.map((one) => {
      const domain = asDomain(one);
      if (!domain) throw fieldProblem("domains", "not-a-domain", `“${one.slice(0, 80)}” is no mail domain.`);
      return domain;
    });
    if (mode === "domains" && !domains.length) throw fieldProblem("domains", "not-a-domain");
    const rule = { mode, domains: [...new Set(domains)] };
    await setSignUpRule(tx, rule);
    await noteDeed(tx, {
      kind: "sign-up",
      person: scope.person,
      at,
      words: [mode, ...rule.domains].join(" "),
    });
    return rule;
  },
});
