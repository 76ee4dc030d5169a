import { IsBoolean } from "class-validator";
import { tagName } from "@/core/tags/tag-name";
import { findRule, saveRule as storeRule } from "@/data/queries/rules";
import { action } from "@/mechanism/action";
import { Id, MaybeId, MaybeText, Name, Texts } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { mustBeSectionOf } from "@/mechanism/section-of";

class SaveRule {
  @Id() team: string;
  /** Made by whoever sends it; one that is there already is changed. */
  @Id() rule: string;
  @Name("a name", 120) name: string;
  @MaybeText(200) host?: string;
  @MaybeText(200) sender?: string;
  @MaybeText(80) tag?: string;
  @MaybeText(120) word?: string;
  @MaybeId() collection?: string | null;
  @MaybeId() section?: string | null;
  @Texts(20, 80) tags: string[];
  /** True: it is done at once. False: it is suggested. */
  @IsBoolean() acts: boolean;
}

export const saveRule = action({
  name: "rules.save",
  about:
    "Makes or changes a rule: what is brought in and fits is placed and tagged, or a suggestion is made.",
  input: SaveRule,
  allow: can.arrange("team"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input, scope, tx, locked, at, emit }) => {
    const when = Object.fromEntries(
      (["host", "sender", "tag", "word"] as const).flatMap((field) =>
        input[field] ? [[field, input[field]]] : [],
      ),
    );
    if (!Object.keys(when).length) throw fieldProblem("host", "rule-without-condition");
    const tags = input.tags.map(tagName).filter((name) => name !== null);
    if (!input.collection && !tags.length) throw fieldProblem("collection", "rule-without-effect");
    if (input.collection) {
      locked.mustBeOfTeam("collection", input.collection, input.team);
      await mustBeSectionOf(tx, input.section, input.collection);
    }
    const values = {
      name: input.name,
      when,
      collection: input.collection ?? null,
      section: input.collection ? (input.section ?? null) : null,
      tags,
      acts: input.acts ? 1 : 0,
    };
    const there = await findRule(tx, input.rule);
    if (there && there.team !== input.team) throw new Problem("id-taken");
    await storeRule(tx, there?.id ?? null, {
      id: input.rule,
      team: input.team,
      ...values,
      createdBy: scope.person!,
      createdAt: at,
    });
    emit({ verb: "rules.save", subject: input.rule, data: { title: input.name } });
    return { rule: input.rule };
  },
});
