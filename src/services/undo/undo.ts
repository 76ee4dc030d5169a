import { turned } from "@/core/undo/change";
import { may } from "@/core/policy/abilities";
import { dropBefore, findDeed, lastDone, setDeed } from "@/data/queries/deeds";
import { action } from "../action";
import { Id, MaybeId } from "../input";
import { can } from "../policy";
import { Problem } from "../problem";
import { makeChanges } from "./take-back";

class Undo {
  @Id() team: string;
  /** A certain deed; else the last one. */
  @MaybeId() deed?: string;
}

export const undo = action({
  name: "deeds.undo",
  about:
    "Takes back what one did last in a team, or a certain deed. What somebody else has changed since stays, and it is said.",
  input: Undo,
  allow: can.see("team"),
  run: async ({ input, scope, tx, tell }) => {
    const person = scope.person!;
    const row = input.deed
      ? await findDeed(tx, input.deed, person, input.team)
      : await lastDone(tx, person, input.team);
    if (row?.state !== "done")
      return { done: false as const, words: null, why: "There is nothing of yours to undo." };
    if (!may(scope.role, row.ability)) throw new Problem("not-allowed");
    await dropBefore(tx, row);
    const made = await makeChanges(tx, row, turned(row.changes), tell, { back: true });
    // What can not be taken back does not stand in the way of what was done before it.
    await setDeed(tx, row.id, made.done ? "undone" : "dropped");
    return { ...made, words: row.words, deed: row.id };
  },
});
