import { findInvitation } from "@/data/queries/teams";
import { reading } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { guarded } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";

class ReadInvitation {
  @Name("a code", 32) code: string;
}

export const readInvitation = reading({
  name: "invitations.read",
  about: "What an invitation leads to: the team's name and the role.",
  input: ReadInvitation,
  allow: can.beSignedIn(),
  run: async ({ input, tx }) => {
    const found = await guarded("invitation", () => findInvitation(tx, input.code, now()));
    if (!found) throw new Problem("invitation-ended");
    return { teamName: found.teamName, role: found.role, byName: found.byName };
  },
});
