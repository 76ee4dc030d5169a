import { may } from "@/core/policy/abilities";
import { membersOf, openInvitations } from "@/data/queries/teams";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";

class ReadMembers {
  @Id() team: string;
}

export const readMembers = reading({
  name: "members.read",
  about: "Who is in a team, and as what; for owners also the open invitations.",
  input: ReadMembers,
  allow: can.see("team"),
  run: async ({ input, scope, tx }) => ({
    members: await membersOf(tx, input.team),
    invitations: may(scope.role, "manage") ? await openInvitations(tx, input.team, null, now()) : [],
    role: scope.role!,
  }),
});
