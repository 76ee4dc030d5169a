import { eq } from "drizzle-orm";
import { team } from "@/data/schema";
import { action } from "../action";
import { Id, Name } from "../input";
import { can } from "../policy";

class RenameTeam {
  @Id() team: string;
  @Name("a name for the team", 120) name: string;
}

export const renameTeam = action({
  name: "teams.rename",
  about: "Gives a team another name.",
  input: RenameTeam,
  allow: can.manage("team"),
  run: async ({ input, tx, tell }) => {
    await tx.update(team).set({ name: input.name }).where(eq(team.id, input.team));
    tell({ subject: input.team, data: { name: input.name } });
    return { team: { id: input.team, name: input.name } };
  },
});
