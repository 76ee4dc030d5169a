import { may } from "@/core/policy/abilities";
import { endAddresses } from "@/data/queries/messages";
import { dropGuestOfTeam } from "@/data/queries/guests";
import { dropMember, lockOwners, roleIn } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class RemoveMember {
  @Id() team: string;
  @Id() person: string;
}

export const removeMember = action({
  name: "members.remove",
  about:
    "Takes a member out of a team, or leaves it oneself. What they made stays; their mail addresses for it end, and so does what they were let into by itself.",
  input: RemoveMember,
  allow: can.see("team"),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at, emit }) => {
    if (input.person !== scope.person && !may(scope.role, "manage")) throw new Problem("not-allowed");
    const owners = await lockOwners(tx, input.team);
    if (!(await roleIn(tx, input.team, input.person))) throw new Problem("member-unknown");
    if (owners.length === 1 && owners[0] === input.person) throw new Problem("team-without-owner");
    await dropMember(tx, input.team, input.person);
    await dropGuestOfTeam(tx, input.team, input.person);
    await endAddresses(tx, input.person, input.team, at);
    emit({ verb: "members.remove", subject: input.person });
    return { removed: input.person };
  },
});
