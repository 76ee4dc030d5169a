import { findInvitation } from "@/data/queries/teams";
import { reading } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { guarded } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { isFor } from "./is-for";
import { roleAt } from "./role-at";

class ReadInvitation {
  @Name("a code", 32) code: string;
}

export const readInvitation = reading({
  name: "invitations.read",
  about:
    "What an invitation leads to: the team's name, the collection's where it is into one alone, the role, and to whom it was sent.",
  input: ReadInvitation,
  allow: can.beSignedIn(),
  run: async ({ input, actor, tx }) => {
    const found = await guarded("invitation", () => findInvitation(tx, input.code, now()));
    if (!found) throw new Problem("invitation-ended");
    const { teamName, title, role, byName, address } = found;
    if (found.most !== null && found.used >= found.most && !(await roleAt(tx, found, actor.person!.id)))
      throw new Problem("invitation-used-up");
    return { teamName, title, role, byName, address, isForMe: isFor(found, actor.person!.email) };
  },
});
