import { type GuestRole, stronger } from "@/core/policy/abilities";
import { putGuest } from "@/data/queries/guests";
import { addMember, findInvitation, roleIn, useInvitation } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { guarded } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { isFor } from "./is-for";
import { roleAt } from "./role-at";

class AcceptInvitation {
  @Name("a code", 32) code: string;
}

export const acceptInvitation = action({
  name: "invitations.accept",
  about:
    "Joins the team of an invitation, or comes into its collection, if it is for oneself and not used up. Whoever is in there already keeps the higher of both roles.",
  input: AcceptInvitation,
  allow: can.beSignedIn(),
  locks: null,
  history: null,
  run: async ({ input, actor, scope, tx, at, emit }) => {
    const found = await guarded("invitation", () => findInvitation(tx, input.code, at));
    if (!found) throw new Problem("invitation-ended");
    if (!isFor(found, actor.person!.email)) throw new Problem("invitation-for-another");
    const person = scope.person!;
    const { team, collection } = found;
    const before = await roleAt(tx, found, person);
    // Whoever is in there already may open it as often as they like.
    if (before === null && !(await useInvitation(tx, found.id, at))) {
      // Pressed twice, the first press may have let them in a moment ago.
      if (!(await roleAt(tx, found, person))) throw new Problem("invitation-used-up");
    }
    const role = stronger(before, found.role)!;
    if (!collection) {
      await addMember(tx, { id: newId(), team, person, role, createdAt: at });
      emit({ team, subject: person, verb: "members.joined", data: { role } });
    } else if (!(await roleIn(tx, team, person))) {
      await putGuest(tx, { collection, person, role: role as GuestRole, createdAt: at });
      if (before === null) emit({ team, collection, subject: person, verb: "guests.joined", data: { role } });
    }
    return { team, collection, role };
  },
});
