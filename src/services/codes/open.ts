import { audienceNow } from "@/core/publish/opens";
import { readShortCode } from "@/core/share/short-code";
import { holderByCode } from "@/data/queries/groups";
import { byShortCode } from "@/data/queries/sharing";
import { suggestionPageBy } from "@/data/queries/suggestions";
import { invitationByShort } from "@/data/queries/teams";
import { reading } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { guarded } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";

class OpenCode {
  @Name("the code", 200) code: string;
}

export const openCode = reading({
  name: "codes.open",
  about:
    "Where a short code leads: the code in the address of what it opens, which is a collection, what was handed out to the holder of a card, where things are suggested for a collection, or an invitation.",
  input: OpenCode,
  allow: can.ask(),
  run: async ({ input, tx }) => {
    const typed = readShortCode(input.code);
    // Its check letter tells without a look, so a slip is no guess.
    if (!("code" in typed)) throw fieldProblem("code", "code-has-a-slip");
    const at = now();
    const found = await guarded(
      "short code",
      async () => {
        const one = await byShortCode(tx, typed.code, at);
        if (one && audienceNow(one, at) !== "team" && one.code !== null)
          return { code: one.code, opens: "collection" as const };
        const holder = await holderByCode(tx, typed.code);
        if (holder) return { code: holder.card, opens: "card" as const };
        const page = await suggestionPageBy(tx, "code", typed.code);
        if (page && !page.gone) return { code: page.link, opens: "suggestions" as const };
        const invitation = await invitationByShort(tx, typed.code, at);
        return invitation ? { code: invitation, opens: "invitation" as const } : null;
      },
      "shortCodes",
    );
    if (!found) throw new Problem("code-opens-nothing");
    return found;
  },
});
