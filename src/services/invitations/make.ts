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

type Made = { role: Role; days?: number; most?: number };
type By = { team: string; collection: string | null; person: string; at: Date };

/** An invitation by a link, as it is written down. */
export const newInvitation = ({ role, days = DAYS, most }: Made, { person, at, ...into }: By) => ({
  ...into,
  ...{ id: newId(), role, code: newSecret(), madeBy: person, createdAt: at, most: most ?? null },
  expiresAt: new Date(at.getTime() + days * 86_400_000),
});

export const makeInvitation = action({
  name: "invitations.make",
  about:
    "Makes a link by which others join a team in the given role, for some days, 14 unless said, and for as many as said, or until it is revoked.",
  input: MakeInvitation,
  allow: can.manage("team"),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at }) => {
    const row = newInvitation(input, { team: input.team, collection: null, person: scope.person!, at });
    await addInvitation(tx, row);
    return { invitation: { id: row.id, code: row.code, role: row.role, expiresAt: row.expiresAt } };
  },
});
