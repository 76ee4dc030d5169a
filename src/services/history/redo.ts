import { firstUndone, setEntry } from "@/data/queries/history";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { makeChanges } from "./make-changes";
import { mustMake } from "./must-make";
import { withKeys } from "@/mechanism/own-keys";

class Redo {
  @Id() team: string;
}

export const redo = action({
  name: "history.redo",
  about: "Does again what one has taken back last, as long as nothing else was done since.",
  input: Redo,
  allow: can.seeHere("team"),
  locks: null,
  // It moves along the history and adds nothing to it.
  history: null,
  run: async ({ input, scope, tx, set }) => {
    const row = await firstUndone(tx, scope.person!, input.team);
    if (!row) return { done: false as const, words: null, why: "There is nothing to do again." };
    await mustMake(tx, scope, row);
    const { keys, ...made } = await makeChanges(tx, set, row, row.changes, { back: false });
    await setEntry(
      tx,
      row.id,
      made.done ? "done" : "dropped",
      keys?.size ? withKeys(row.changes, keys, "after") : undefined,
    );
    return { ...made, words: row.words, again: row.id };
  },
});
