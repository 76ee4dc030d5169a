import { may } from "@/core/policy/abilities";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { entityOfMark } from "./entity-of-mark";

class RemoveMark {
  @Id() mark: string;
}

export const removeMark = action({
  name: "marks.remove",
  about:
    "Takes a mark away: one's own, or as an editor anybody's. It can be brought back for as long as the bin is kept. Taken away twice it is gone once.",
  input: RemoveMark,
  allow: can.changeMark({ evenDeleted: true }),
  locks: ({ input }) => ({ marks: [input.mark] }),
  history: "take a mark away",
  run: async ({ input, actor, scope, locked, remove }) => {
    const row = locked.mark(input.mark);
    if (row.person !== scope.person && (actor.only || !may(scope.role, "arrange")))
      throw new Problem("not-allowed");
    if (!row.deletedAt) await remove(entityOfMark(row), row);
    return { mark: row.id };
  },
});
