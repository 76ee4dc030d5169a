import { ROLES, type Role } from "@/core/policy/abilities";
import { lockOwners, roleIn, setMemberRole } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Id, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";

class SetRole {
  @Id() team: string;
  @Id() person: string;
  @OneOf(ROLES) role: Role;
}

export const setRole = action({
  name: "members.set-role",
  about: "Changes what a member may do. A team keeps at least one owner.",
  input: SetRole,
  allow: can.manage("team"),
  locks: null,
  history: null,
  run: async ({ input, tx, emit }) => {
    const owners = await lockOwners(tx, input.team);
    const before = await roleIn(tx, input.team, input.person);
    if (!before) throw new Problem("member-unknown");
    if (input.role !== "owner" && owners.length === 1 && owners[0] === input.person)
      throw fieldProblem("role", "team-without-owner");
    await setMemberRole(tx, input.team, input.person, input.role);
    emit({ verb: "members.set-role", subject: input.person, data: { before, after: input.role } });
    return { person: input.person, role: input.role };
  },
});
