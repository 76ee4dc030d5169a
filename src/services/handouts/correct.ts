import { editionDigest } from "@/data/queries/handouts";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { originalOf } from "./original";
import { storeEdition } from "./store-edition";

class CorrectHandout {
  @Id() handout: string;
}

export const correctHandout = action({
  name: "handouts.correct",
  about:
    "Gives everybody what has changed in the collection since: what they left alone takes the new words, what they wrote stays with the new words beside it, what is taken out stays where they wrote at it. It can be taken back.",
  input: CorrectHandout,
  allow: can.publish("handout"),
  locks: ({ input }) => ({ team: true, handouts: [input.handout] }),
  history: "correct what was handed out",
  run: async ({ input, scope, tx, at, locked, change }) => {
    const row = locked.handout(input.handout);
    const [team, person] = [scope.team!, scope.person!];
    const original = await originalOf(tx, row.collection);
    const had = await editionDigest(tx, row.edition);
    const edition = await storeEdition(tx, { team, collection: row.collection, person, at }, had);
    if (edition) await change("handout", row, { edition, title: original.title });
    return { handout: row.id, isNew: edition !== null };
  },
});
