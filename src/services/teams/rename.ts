import { renameTeam as writeName } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { tellTeamApart } from "../accounts/told-apart";

class RenameTeam {
  @Id() team: string;
  @Name("a name for the team", 120) name: string;
}

export const renameTeam = action({
  name: "teams.rename",
  about: "Gives a team another name.",
  input: RenameTeam,
  allow: can.manage("team"),
  locks: null,
  history: null,
  run: async ({ input, tx, emit }) => {
    await tellTeamApart(tx, { id: input.team, name: input.name }, "name");
    await writeName(tx, input.team, input.name);
    emit({ verb: "teams.rename", subject: input.team, data: { name: input.name } });
    return { team: { id: input.team, name: input.name } };
  },
});
