import { ROLES } from "@/core/policy/abilities";
import { writeEvents } from "@/data/queries/events";
import { findInvitation, roleIn } from "@/data/queries/teams";
import { membership } from "@/data/schema";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { action, asEvent } from "../action";
import { Name } from "../input";
import { can } from "../policy";
import { Problem } from "../problem";

class AcceptInvitation {
  @Name("a code", 32) code: string;
}

export const acceptInvitation = action({
  name: "invitations.accept",
  about: "Joins the team of an invitation. Whoever is in it already keeps the higher of both roles.",
  input: AcceptInvitation,
  allow: can.beSignedIn(),
  run: async ({ input, scope, actor, tx }) => {
    const found = await findInvitation(tx, input.code, now());
    if (!found) throw new Problem("not-found", "This invitation has ended. Ask for a new one.");
    const before = await roleIn(tx, found.team, scope.person!);
    const role = before && ROLES.indexOf(before) > ROLES.indexOf(found.role) ? before : found.role;
    await tx
      .insert(membership)
      .values({ id: newId(), team: found.team, person: scope.person!, role, createdAt: now() })
      .onDuplicateKeyUpdate({ set: { role } });
    await writeEvents(tx, [
      asEvent({ subject: scope.person!, data: { role } }, found.team, actor, "members.joined"),
    ]);
    return { team: found.team, role };
  },
});
