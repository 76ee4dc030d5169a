import { pageOfTeam } from "@/data/queries/teams";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { addressOfHobbin } from "../accounts/address";

class ReadPage {
  @Id() team: string;
}

export const readPage = reading({
  name: "teams.page",
  about:
    "Whether a team has a page that lists what it made public, under which address, and what it says of the team.",
  input: ReadPage,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    const { open, words, picture } = (await pageOfTeam(tx, input.team))!;
    return { open, words, picture, address: `${addressOfHobbin()}/public/${input.team}` };
  },
});
