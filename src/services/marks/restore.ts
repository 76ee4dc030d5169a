import { markById } from "@/data/queries/marks";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { entityOfMark } from "./entity-of-mark";

class RestoreMark {
  @Id() mark: string;
}

export const restoreMark = action({
  name: "marks.restore",
  about: "Brings back a mark that was taken away.",
  input: RestoreMark,
  allow: can.changeMark({ evenDeleted: true }),
  locks: ({ input }) => ({ marks: [input.mark] }),
  history: "bring a mark back",
  run: async ({ input, tx, locked, restore }) => {
    const row = locked.mark(input.mark);
    if (row.deletedAt) await restore(entityOfMark(row), row);
    return { mark: (await markById(tx, row.id))! };
  },
});
