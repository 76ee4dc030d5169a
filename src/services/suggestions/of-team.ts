import { suggestionPagesOf } from "@/data/queries/suggestions";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { takesNow } from "./takes-now";

class ReadTeam {
  @Id() team: string;
}

export const readTeam = reading({
  name: "suggestions.of-team",
  about:
    "The collections of a team for which things can be, or were, suggested, with how much waits in each.",
  input: ReadTeam,
  allow: can.arrange("team"),
  run: async ({ input, tx }) => {
    const at = now();
    const pages = await suggestionPagesOf(tx, input.team);
    return { pages: pages.map((page) => ({ ...page, takes: takesNow(page, at) })) };
  },
});
