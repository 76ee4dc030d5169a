import { newsOf } from "@/core/history/news";
import { doneToItems, lastVisitOf } from "@/data/queries/visits";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadNews {
  @Id() collection: string;
}

/** Of more than so much nobody reads what is new; the list has the rest. */
const MOST = 2_000;

export const readNews = reading({
  name: "collections.news",
  about:
    "What others did to the items of a collection since one was last here for a while: those that are new, have other words or stand elsewhere, and how many went.",
  input: ReadNews,
  allow: can.seeHere("collection"),
  run: async ({ input: { collection }, scope, tx }) => {
    const visit = { collection, person: scope.person! };
    const since = await lastVisitOf(tx, visit);
    // To somebody who was never here, everything is.
    if (!since) return { since, items: [], gone: 0 };
    const { items, gone } = newsOf(await doneToItems(tx, visit, since, MOST));
    return { since, items: [...items].map(([id, news]) => ({ id, news })), gone };
  },
});
