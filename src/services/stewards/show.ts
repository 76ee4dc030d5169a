import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { noteDeed } from "./deed";

class Show {
  @Id() collection: string;
}

export const showCollection = action({
  name: "stewards.show",
  about: "Shows a collection that was hidden to those again whom its team shares it with.",
  input: Show,
  allow: can.stewardOf(),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input: { collection }, scope, tx, locked, at, change, emit }) => {
    const before = locked.collection(collection);
    if (before.hiddenAt) {
      await change("collection", before, { hiddenAt: null }, { untold: true });
      emit({ verb: "stewards.show", subject: collection, collection, actor: null });
      await noteDeed(tx, { kind: "show", person: scope.person, at, collection });
    }
    return { hiddenAt: null };
  },
});
