import { ROLES, type Role } from "@/core/policy/abilities";
import { addInvitation } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Id, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newId, newSecret } from "@/outside/random";

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
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at }) => {
    const row = {
      id: newId(),
      team: input.team,
      role: input.role,
      code: newSecret(),
      madeBy: scope.person!,
      createdAt: at,
      expiresAt: new Date(at.getTime() + DAYS * 86_400_000),
    };
    await addInvitation(tx, row);
    return { invitation: { id: row.id, code: row.code, role: row.role, expiresAt: row.expiresAt } };
  },
});
