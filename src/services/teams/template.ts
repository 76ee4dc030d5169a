import { templateOfTeam } from "@/data/queries/templates";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadTemplate {
  @Id() team: string;
}

export const readTemplate = reading({
  name: "teams.template",
  about: "The document a team's collections are put into for a word processor; null: it has none.",
  input: ReadTemplate,
  allow: can.seeHere("team"),
  run: async ({ input, tx }) => {
    const found = await templateOfTeam(tx, input.team);
    return { template: found && { name: found.name, createdAt: found.createdAt } };
  },
});
