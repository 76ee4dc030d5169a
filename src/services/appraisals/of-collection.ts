import { weighedOf } from "@/core/appraise/weighed";
import { sayingsOf, standingThere } from "@/data/queries/weighed";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadWeighed {
  @Id() collection: string;
}

export const readWeighed = reading({
  name: "appraisals.of-collection",
  about:
    "How far each thing in a collection is judged: by one, by several, agreed on, in dispute, or before its page became another. What nobody has judged is not among them, and nothing of what anybody thinks.",
  input: ReadWeighed,
  allow: can.see("collection"),
  run: async ({ input, scope, tx }) => ({
    // How a team judges is the team's; a guest does not see it.
    weighed: scope.sight ? [] : weighedOf(await sayingsOf(tx, await standingThere(tx, input.collection))),
  }),
});
