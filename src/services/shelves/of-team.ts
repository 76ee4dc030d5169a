import { listedOfTeam } from "@/data/queries/listings";
import { pageOfTeam } from "@/data/queries/teams";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { asCard, upToDate } from "./shown";

class ReadOfTeam {
  @Id() of: string;
}

export const readOfTeam = reading({
  name: "shelves.of-team",
  about: "The public page of a team that wishes one: what it says of itself, and all it has made public.",
  input: ReadOfTeam,
  allow: can.ask(),
  run: async ({ input, tx }) => {
    const page = await pageOfTeam(tx, input.of);
    // Whether there is such a team is nobody's business.
    if (!page?.open) throw new Problem("not-found");
    const rows = await upToDate(await listedOfTeam(tx, input.of, now()));
    return { name: page.name, words: page.words, collections: rows.map(asCard) };
  },
});
