import { inverted } from "@/core/history/change";
import { dropBefore, findEntry, lastDone, setEntry } from "@/data/queries/history";
import { action } from "@/mechanism/action";
import { Id, MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { makeChanges } from "./make-changes";
import { mustMake } from "./must-make";
import { withKeys } from "@/mechanism/own-keys";

class Undo {
  @Id() team: string;
  /** A certain entry of one's history; else the last one. */
  @MaybeId() entry?: string;
}

export const undo = action({
  name: "history.undo",
  about:
    "Takes back what one did last in a team, or a certain thing one did. What somebody else has changed since stays, and it is said.",
  input: Undo,
  allow: can.seeHere("team"),
  locks: null,
  // It moves along the history and adds nothing to it.
  history: null,
  run: async ({ input, scope, tx, set }) => {
    const person = scope.person!;
    const row = input.entry
      ? await findEntry(tx, input.entry, person, input.team)
      : await lastDone(tx, person, input.team);
    if (row?.state !== "done")
      return { done: false as const, words: null, why: "There is nothing of yours to undo." };
    await mustMake(tx, scope, row);
    await dropBefore(tx, row);
    const { keys, ...made } = await makeChanges(tx, set, row, inverted(row.changes), { back: true });
    // What can not be taken back does not stand in the way of what was done before it.
    await setEntry(
      tx,
      row.id,
      made.done ? "undone" : "dropped",
      keys?.size ? withKeys(row.changes, keys, "before") : undefined,
    );
    return { ...made, words: row.words, undone: row.id };
  },
});
