import { IsBoolean } from "class-validator";
import { comeHere, leaveHere, peopleHere, seenHere } from "@/data/queries/presence";
import { noteVisit } from "@/data/queries/visits";
import { action } from "@/mechanism/action";
import { Id, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

/** Who has said nothing for so long is not there any more, in milliseconds. The Bench says so every 20 s. */
const SILENCE = 45_000;

class BeHere {
  @Id() collection: string;
  @Optional() @IsBoolean() leave?: boolean;
  /** Whether it is in sight; who has been here for a while with it in sight has seen what there is. */
  @Optional() @IsBoolean() looks?: boolean;
}

export const beHere = action({
  name: "collections.be-here",
  about: "Says that one has a collection open, or no longer; answers with who else has.",
  input: BeHere,
  allow: can.seeHere("collection"),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at, emit }) => {
    const me = { collection: input.collection, person: scope.person! };
    const since = new Date(at.getTime() - SILENCE);
    const before = await seenHere(tx, me);
    await (input.leave ? leaveHere(tx, me) : comeHere(tx, { ...me, seenAt: at }));
    // Whoever only comes by has seen nothing yet.
    if (input.looks && !input.leave && before && before >= since) await noteVisit(tx, me);
    // Told only when somebody comes or goes.
    if (input.leave || !before || before < since)
      emit({ subject: me.person, collection: me.collection, verb: "presence" });
    const people = await peopleHere(tx, me.collection, since);
    return { people: people.filter((one) => one.id !== me.person) };
  },
});
