import { addMember, addTeam } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newId } from "@/outside/random";
import { tellTeamApart } from "../accounts/told-apart";

class MakeTeam {
  @Name("a name for the team", 120) name: string;
}

export const makeTeam = action({
  name: "teams.make",
  about: "Makes a team of which one is the owner.",
  input: MakeTeam,
  allow: can.beSignedIn(),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at }) => {
    await tellTeamApart(tx, { id: null, name: input.name }, "name");
    const id = newId();
    await addTeam(tx, { id, name: input.name, createdAt: at });
    await addMember(tx, { id: newId(), team: id, person: scope.person!, role: "owner", createdAt: at });
    return { team: { id, name: input.name } };
  },
});
