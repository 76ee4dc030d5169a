import { may } from "@/core/policy/abilities";
import { firstUndone, setDeed } from "@/data/queries/deeds";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";
import { Problem } from "../problem";
import { makeChanges } from "./take-back";

class Redo {
  @Id() team: string;
}

export const redo = action({
  name: "deeds.redo",
  about: "Does again what one has taken back last, as long as nothing else was done since.",
  input: Redo,
  allow: can.see("team"),
  run: async ({ input, scope, tx, tell }) => {
    const row = await firstUndone(tx, scope.person!, input.team);
    if (!row) return { done: false as const, words: null, why: "There is nothing to do again." };
    if (!may(scope.role, row.ability)) throw new Problem("not-allowed");
    const made = await makeChanges(tx, row, row.changes, tell, { back: false });
    await setDeed(tx, row.id, made.done ? "done" : "dropped");
    return { ...made, words: row.words, deed: row.id };
  },
});
