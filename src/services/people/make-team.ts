import { membership, team } from "@/data/schema";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { action } from "../action";
import { Name } from "../input";
import { can } from "../policy";

class MakeTeam {
  @Name("a name for the team", 120) name: string;
}

export const makeTeam = action({
  name: "teams.make",
  about: "Makes a team of which one is the owner.",
  input: MakeTeam,
  allow: can.beSignedIn(),
  run: async ({ input, scope, tx }) => {
    const id = newId();
    await tx.insert(team).values({ id, name: input.name, createdAt: now() });
    await tx
      .insert(membership)
      .values({ id: newId(), team: id, person: scope.person!, role: "owner", createdAt: now() });
    return { team: { id, name: input.name } };
  },
});
