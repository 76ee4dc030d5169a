import { IsBoolean, IsInt, Max, Min } from "class-validator";
import { ROLES, type Role } from "@/core/policy/abilities";
import { addInvitation } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Id, OneOf, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { newId, newSecret, newShortCode } from "@/outside/random";

class MakeInvitation {
  @Id() team: string;
  @OneOf(ROLES) role: Role;
  /** For how long it holds; left out: 14 days. */
  @Optional() @IsInt() @Min(1) @Max(90) days?: number;
  /** How many it lets in; left out: as many as come. */
  @Optional() @IsInt() @Min(1) @Max(500) most?: number;
  /** With a short code to be typed, for a room: for a day and 40 people unless said, not as owner. */
  @Optional() @IsBoolean() short?: boolean;
}

/** For how many days an invitation holds. */
export const DAYS = 14;

/** A short code can be guessed at, so it ends soon and lets in a room full, not a town. */
const SHORT = { days: 1, most: 40 };

type Made = { role: Role; days?: number; most?: number; short?: boolean };
type By = { team: string; collection: string | null; person: string; at: Date };

/**
 * An invitation by a link, or by a short code that leads to it, as it is written down.
 * @throws {Problem} beside `role` or `days`, when a short code may not lead there, or not for so long
 */
export function newInvitation({ role, days, most, short }: Made, { person, at, ...into }: By) {
  if (short && role === "owner")
    throw fieldProblem("role", "short-code-too-much", "Nobody becomes an owner by a short code.");
  if (short && days !== undefined && days > SHORT.days)
    throw fieldProblem("days", "short-code-too-much", "A short code holds for one day.");
  const holds = days ?? (short ? SHORT.days : DAYS);
  return {
    ...into,
    ...{ id: newId(), role, code: newSecret(), madeBy: person, createdAt: at },
    ...{ short: short ? newShortCode() : null, most: most ?? (short ? SHORT.most : null) },
    expiresAt: new Date(at.getTime() + holds * 86_400_000),
  };
}

/** What is written down of one that was made. */
export const saidInLog = ({ short, role, most }: ReturnType<typeof newInvitation>): string =>
  `by a ${short ? "code" : "link"}, as ${role}${most === null ? "" : `, for ${most}`}`;

/** What is answered of one that was made. */
export const saidOfInvitation = (row: ReturnType<typeof newInvitation>) => ({
  ...{ id: row.id, code: row.code, short: row.short, role: row.role, expiresAt: row.expiresAt },
});

export const makeInvitation = action({
  name: "invitations.make",
  about:
    "Makes a link by which others join a team in the given role, for some days, 14 unless said, and for as many as said, or until it is revoked; with a short code to be typed when wished.",
  input: MakeInvitation,
  allow: can.manage("team"),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at, set }) => {
    const row = newInvitation(input, { team: input.team, collection: null, person: scope.person!, at });
    await addInvitation(tx, row);
    set.log("invited", saidInLog(row), row);
    return { invitation: saidOfInvitation(row) };
  },
});
