import { keepsOf } from "@/data/queries/log";
import { spaceOf } from "@/data/queries/space";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadUpkeep {
  @Id() team: string;
}

export const readUpkeep = reading({
  name: "teams.upkeep",
  about:
    "For how many days a team keeps what, and how many stored files and bytes it has, by what they are for. A file that is named twice counts once.",
  input: ReadUpkeep,
  allow: can.manage("team"),
  run: async ({ input, tx }) => ({
    keeps: (await keepsOf(tx, input.team))!,
    space: await spaceOf(tx, input.team),
  }),
});
