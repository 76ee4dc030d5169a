import { ROLES } from "@/core/policy/abilities";
import { addMember, findInvitation, roleIn, useInvitation } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { guarded } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { isFor } from "./is-for";

class AcceptInvitation {
  @Name("a code", 32) code: string;
}

export const acceptInvitation = action({
  name: "invitations.accept",
  about:
    "Joins the team of an invitation, if it is for oneself and not used up. Whoever is in it already keeps the higher of both roles.",
  input: AcceptInvitation,
  allow: can.beSignedIn(),
  locks: null,
  history: null,
  run: async ({ input, actor, scope, tx, at, emit }) => {
    const found = await guarded("invitation", () => findInvitation(tx, input.code, at));
    if (!found) throw new Problem("invitation-ended");
    const before = await roleIn(tx, found.team, scope.person!);
    // Whoever is in the team already may open it as often as they like.
    if (!isFor(found, actor.person!.email)) throw new Problem("invitation-for-another");
    if (before === null && !(await useInvitation(tx, found.id, at))) {
      // Pressed twice, the first press may have let them in a moment ago.
      if (!(await roleIn(tx, found.team, scope.person!))) throw new Problem("invitation-used-up");
    }
    const role = before && ROLES.indexOf(before) > ROLES.indexOf(found.role) ? before : found.role;
    const person = scope.person!;
    await addMember(tx, { id: newId(), team: found.team, person, role, createdAt: at });
    emit({ team: found.team, subject: person, verb: "members.joined", data: { role } });
    return { team: found.team, role };
  },
});
