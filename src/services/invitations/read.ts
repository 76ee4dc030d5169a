import { findInvitation, roleIn } from "@/data/queries/teams";
import { reading } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { guarded } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { isFor } from "./is-for";

class ReadInvitation {
  @Name("a code", 32) code: string;
}

export const readInvitation = reading({
  name: "invitations.read",
  about: "What an invitation leads to: the team's name and the role, and to whom it was sent.",
  input: ReadInvitation,
  allow: can.beSignedIn(),
  run: async ({ input, actor, tx }) => {
    const found = await guarded("invitation", () => findInvitation(tx, input.code, now()));
    if (!found) throw new Problem("invitation-ended");
    const { teamName, role, byName, address } = found;
    if (found.most !== null && found.used >= found.most && !(await roleIn(tx, found.team, actor.person!.id)))
      throw new Problem("invitation-used-up");
    return { teamName, role, byName, address, isForMe: isFor(found, actor.person!.email) };
  },
});
