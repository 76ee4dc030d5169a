import { findCollection } from "@/data/queries/collections";
import { creditsHere, findCredit } from "@/data/queries/credits";
import { publicNow } from "@/data/queries/listings";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { offersOf, withinOf } from "./offers";

/** Of so many what has changed is looked up; the collection's own is the first. */
const MOST = 10;

class ReadCredits {
  @Id() collection: string;
}

export const readCredits = reading({
  name: "shelves.credits",
  about:
    "From where a collection, and the items that stand in it, were taken, as that was called then; whether it is public still; and what has changed there since that could be taken, piece by piece.",
  input: ReadCredits,
  allow: can.see("collection"),
  run: async ({ input, scope, tx }) => {
    const [at, found] = [now(), (await findCollection(tx, input.collection))!];
    const here = (await creditsHere(tx, found.id, found.credit)).slice(0, MOST);
    const within = here.length ? await withinOf(tx, scope.team!, found.id) : new Set<string>();
    const credits = [];
    for (const { id, title, teamName, edition, day, lender } of here) {
      const row = (await findCredit(tx, id))!;
      const open = await publicNow(tx, lender, at);
      const { offered } = open ? await offersOf(tx, row, within, at) : { offered: [] };
      credits.push({ id, title, teamName, edition, day, asks: row.asks, code: open?.code ?? null, offered });
    }
    return { credits };
  },
});
