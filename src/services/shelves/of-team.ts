import { listedOfTeam } from "@/data/queries/listings";
import { pagesIn } from "@/data/queries/person-pages";
import { pageOfTeam } from "@/data/queries/teams";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { onPagesOf } from "../people/public-page";
import { asCard, upToDate } from "./shown";

/** Of all its people together so many collections are looked at. */
const MOST_TOGETHER = 2_000;

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
    const people = await pagesIn(tx, input.of);
    const shown = new Set(rows.map((row) => row.id));
    const theirs = await onPagesOf(
      tx,
      people.map((one) => one.id),
      now(),
      { team: input.of, most: MOST_TOGETHER },
    );
    const told = new Set(theirs.flatMap((one) => (shown.has(one.id) ? [one.of] : [])));
    return {
      ...{ name: page.name, words: page.words, picture: page.picture, collections: rows.map(asCard) },
      /** Those of its people who have a public page with something of it. */
      people: people.filter((one) => told.has(one.id)),
    };
  },
});
