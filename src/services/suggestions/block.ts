import { block, findSuggestion } from "@/data/queries/suggestions";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class Block {
  /** Something they gave back. */
  @Id() suggestion: string;
}

export const blockTeam = action({
  name: "suggestions.block",
  about: "Takes nothing more from the team that gave something back, in any collection of one's own team.",
  input: Block,
  allow: can.publish("suggestion"),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at }) => {
    const { givenBy, name } = (await findSuggestion(tx, input.suggestion))!;
    if (!givenBy) throw new Problem("not-found");
    await block(tx, { team: scope.team!, other: givenBy, name, createdAt: at });
    return { other: givenBy };
  },
});
