import { keysAfter } from "@/core/order/place";
import { findCollection, lastPosition } from "@/data/queries/collections";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { copyLent } from "./copy-lent";
import { creditTo, lentContent } from "./lent";

class Borrow {
  /** The public collection, of whatever team. */
  @Id() collection: string;
  /** Into which team. */
  @Id() team: string;
  /** Id for the copy; sent twice it is made once. */
  @Id() copy: string;
}

export const borrow = action({
  name: "shelves.borrow",
  about:
    "Makes an own copy of a public collection, with everything inside that its readers are shown: its sections, items, headings and context lines. From where it was taken stays with it. It is the team's own at first.",
  input: Borrow,
  allow: can.arrange("team"),
  locks: ({ input }) => ({ team: true, collections: [input.copy] }),
  history: "copy with credit",
  run: async ({ input, scope, tx, at, set }) => {
    const [team, person] = [scope.team!, scope.person!];
    const there = await findCollection(tx, input.copy);
    if (there && there.team !== team) throw new Problem("id-taken");
    if (there) return { collection: { id: there.id, title: there.title } };
    const lent = await lentContent(tx, input.collection, at);
    if (!lent) throw new Problem("not-found");
    const top = lent.content.collection;
    const [position] = keysAfter(await lastPosition(tx, team, null), 1);
    const credit = newId();
    const place = { id: input.copy, parent: null, position: position! };
    const pairs = await copyLent(set, tx, { team, person, credit }, top, place);
    await creditTo(tx, lent, { id: credit, team, at, pairs });
    return { collection: { id: input.copy, title: top.title } };
  },
});
