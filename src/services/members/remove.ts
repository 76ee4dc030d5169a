import { IsBoolean } from "class-validator";
import { may } from "@/core/policy/abilities";
import { endAddresses } from "@/data/queries/messages";
import { dropGuestOfTeam } from "@/data/queries/guests";
import { dropMember, lockOwners, roleIn } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Id, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { leaveNameless } from "./nameless";

class RemoveMember {
  @Id() team: string;
  @Id() person: string;
  /** One's own name is taken off what one made; for oneself alone. */
  @Optional() @IsBoolean() nameless?: boolean;
}

export const removeMember = action({
  name: "members.remove",
  about:
    "Takes a member out of a team, or leaves it oneself. What they made stays, with their name or, as they wish, without; their mail addresses for it end, and so does what they were let into by itself.",
  input: RemoveMember,
  allow: can.see("team"),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at, emit, enqueue }) => {
    const ownWish = input.person === scope.person;
    if (input.nameless && !ownWish) throw new Problem("not-allowed");
    if (!ownWish && !may(scope.role, "manage")) throw new Problem("not-allowed");
    const owners = await lockOwners(tx, input.team);
    if (!(await roleIn(tx, input.team, input.person))) throw new Problem("member-unknown");
    if (owners.length === 1 && owners[0] === input.person) throw new Problem("team-without-owner");
    await dropMember(tx, input.team, input.person);
    await dropGuestOfTeam(tx, input.team, input.person);
    await endAddresses(tx, input.person, input.team, at);
    if (input.nameless) await leaveNameless({ tx, at, enqueue }, { team: input.team, person: input.person });
    emit({ verb: "members.remove", subject: input.person });
    return { removed: input.person };
  },
});
