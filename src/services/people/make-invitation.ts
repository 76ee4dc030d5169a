import { ROLES, type Role } from "@/core/policy/abilities";
import { invitation } from "@/data/schema";
import { now } from "@/outside/clock";
import { newId, newSecret } from "@/outside/random";
import { action } from "../action";
import { Id, OneOf } from "../input";
import { can } from "../policy";

class MakeInvitation {
  @Id() team: string;
  @OneOf(ROLES) role: Role;
}

const DAYS = 14;

export const makeInvitation = action({
  name: "invitations.make",
  about: "Makes a link by which others join a team in the given role, for 14 days or until it is revoked.",
  input: MakeInvitation,
  allow: can.manage("team"),
  run: async ({ input, scope, tx }) => {
    const at = now();
    const row = {
      id: newId(),
      team: input.team,
      role: input.role,
      code: newSecret(),
      madeBy: scope.person!,
      createdAt: at,
      expiresAt: new Date(at.getTime() + DAYS * 86_400_000),
    };
    await tx.insert(invitation).values(row);
    return { invitation: { id: row.id, code: row.code, role: row.role, expiresAt: row.expiresAt } };
  },
});
