import { meaningsOf, saveMeaning } from "@/data/queries/marks";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RemoveMeaning {
  @Id() team: string;
  @Id() meaning: string;
}

export const removeMeaning = action({
  name: "meanings.remove",
  about: "Takes a meaning off the list. What is marked with it keeps it; named again it is back.",
  input: RemoveMeaning,
  allow: can.arrange("team"),
  locks: () => ({ team: true }),
  history: null,
  run: async ({ input, tx, at, emit }) => {
    const row = (await meaningsOf(tx, input.team)).find((one) => one.id === input.meaning);
    if (row && !row.removedAt) {
      await saveMeaning(tx, { ...row, removedAt: at });
      emit({ subject: row.id, verb: "meanings.change" });
    }
    return { meaning: input.meaning };
  },
});
