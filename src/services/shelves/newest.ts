import { IsRFC3339 } from "class-validator";
import { newlyListed } from "@/data/queries/shelves";
import { reading } from "@/mechanism/action";
import { MaybeId, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { asCard, upToDate } from "./shown";
import { shelfOf, ShelfWish } from "./wish";

/** So many are answered at once. */
const PAGE = 24;

class ReadNewest extends ShelfWish {
  /** The last one of the page before. */
  @Optional() @IsRFC3339({ message: "Write a moment as 2026-03-09T17:00:00Z." }) since?: string;
  @MaybeId() after?: string;
}

export const readNewest = reading({
  name: "shelves.newest",
  about:
    "The collections of all teams that everybody can see, those that were made public last first; all of them, or those of one shelf: a use, a language, a length, a level, a subject.",
  input: ReadNewest,
  allow: can.beSignedIn(),
  run: async ({ input, tx }) => {
    const after = input.since && input.after ? { since: new Date(input.since), id: input.after } : null;
    const rows = await newlyListed(tx, now(), after, PAGE, shelfOf(input));
    const last = rows.length === PAGE ? rows.at(-1)! : null;
    return {
      collections: (await upToDate(rows)).map(asCard),
      next: last && { since: last.since, after: last.id },
    };
  },
});
