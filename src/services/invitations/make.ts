import { IsInt, Max, Min } from "class-validator";
import { ROLES, type Role } from "@/core/policy/abilities";
import { addInvitation } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Id, OneOf, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newId, newSecret } from "@/outside/random";

class MakeInvitation {
  @Id() team: string;
  @OneOf(ROLES) role: Role;
  /** For how long it holds; left out: 14 days. */
  @Optional() @IsInt() @Min(1) @Max(90) days?: number;
  /** How many it lets in; left out: as many as come. */
  @Optional() @IsInt() @Min(1) @Max(500) most?: number;
}

/** For how many days an invitation holds. */
export const DAYS = 14;

export const makeInvitation = action({
  name: "invitations.make",
  about:
    "Makes a link by which others join a team in the given role, for some days, 14 unless said, and for as many as said, or until it is revoked.",
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
      most: input.most ?? null,
      expiresAt: new Date(at.getTime() + (input.days ?? DAYS) * 86_400_000),
    };
    await addInvitation(tx, row);
    return { invitation: { id: row.id, code: row.code, role: row.role, expiresAt: row.expiresAt } };
  },
});
