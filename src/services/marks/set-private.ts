import { IsBoolean } from "class-validator";
import { markById } from "@/data/queries/marks";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { may } from "@/core/policy/abilities";
import { Problem } from "@/mechanism/problem";

class SetPrivate {
  @Id() mark: string;
  @IsBoolean() private: boolean;
}

export const setMarkPrivate = action({
  name: "marks.set-private",
  about: "Shows one's own mark to the team, or to oneself alone.",
  input: SetPrivate,
  allow: can.changeMark(),
  locks: ({ input }) => ({ marks: [input.mark] }),
  // What others have seen is not made unseen; the same again takes it back.
  history: null,
  run: async ({ input, scope, tx, locked, change, emit }) => {
    const row = locked.mark(input.mark);
    if (row.person !== scope.person || !may(scope.role, "bring")) throw new Problem("not-allowed");
    if (row.private !== input.private) {
      // Its words are told to nobody else; the team hears that something is to be read again.
      await change("ownMark", row, { private: input.private }, { forGood: true });
      emit({ subject: row.resource, verb: input.private ? "marks.remove" : "marks.add" });
    }
    return { mark: (await markById(tx, row.id))! };
  },
});
