import { closeReports } from "@/data/queries/care";
import { action } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { tellPublishers } from "../notices/tell";
import { noteDeed } from "./deed";

class Hide {
  @Id() collection: string;
  /** Why, in a word to its team. */
  @Name("a word to the team", 1_000) words: string;
}

export const hideCollection = action({
  name: "stewards.hide",
  about:
    "Hides a collection from everybody outside its team, at once and wherever readers find it, with a word to the team, who can answer. What was reported of it is done with.",
  input: Hide,
  allow: can.stewardOf(),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input: { collection, words }, scope, tx, locked, at, set, change, emit }) => {
    const before = locked.collection(collection);
    await change("collection", before, { hiddenAt: before.hiddenAt ?? at }, { untold: true });
    // Its team is told that stewards did it, not who of them.
    emit({ verb: "stewards.hide", subject: collection, collection, actor: null, data: { words } });
    await closeReports(tx, { collection }, at);
    await noteDeed(tx, { kind: "hide", person: scope.person, at, collection, words });
    await tellPublishers({ tx, at, set }, { team: before.team, collection, subject: collection }, "hidden");
    return { hiddenAt: before.hiddenAt ?? at };
  },
});
