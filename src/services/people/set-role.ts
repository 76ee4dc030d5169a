import { and, eq } from "drizzle-orm";
import { ROLES, type Role } from "@/core/policy/abilities";
import { lockOwners, roleIn } from "@/data/queries/teams";
import { membership } from "@/data/schema";
import { action } from "../action";
import { Id, OneOf } from "../input";
import { can } from "../policy";
import { fieldProblem, Problem } from "../problem";

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
  run: async ({ input, tx, tell }) => {
    const owners = await lockOwners(tx, input.team);
    const before = await roleIn(tx, input.team, input.person);
    if (!before) throw new Problem("not-found", "That person is not in this team.");
    if (input.role !== "owner" && owners.length === 1 && owners[0] === input.person)
      throw fieldProblem("role", "A team needs an owner. Make somebody else owner first.");
    await tx
      .update(membership)
      .set({ role: input.role })
      .where(and(eq(membership.team, input.team), eq(membership.person, input.person)));
    tell({ subject: input.person, data: { before, after: input.role } });
    return { person: input.person, role: input.role };
  },
});
