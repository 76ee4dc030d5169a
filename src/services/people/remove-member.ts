import { and, eq } from "drizzle-orm";
import { may } from "@/core/policy/abilities";
import { lockOwners, roleIn } from "@/data/queries/teams";
import { membership } from "@/data/schema";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";
import { Problem } from "../problem";

class RemoveMember {
  @Id() team: string;
  @Id() person: string;
}

export const removeMember = action({
  name: "members.remove",
  about: "Takes a member out of a team, or leaves it oneself. What they made stays.",
  input: RemoveMember,
  allow: can.see("team"),
  run: async ({ input, scope, tx, tell }) => {
    if (input.person !== scope.person && !may(scope.role, "manage")) throw new Problem("not-allowed");
    const owners = await lockOwners(tx, input.team);
    if (!(await roleIn(tx, input.team, input.person)))
      throw new Problem("not-found", "That person is not in this team.");
    if (owners.length === 1 && owners[0] === input.person)
      throw new Problem("conflict", "A team needs an owner. Make somebody else owner first.");
    await tx
      .delete(membership)
      .where(and(eq(membership.team, input.team), eq(membership.person, input.person)));
    tell({ subject: input.person });
    return { removed: input.person };
  },
});
