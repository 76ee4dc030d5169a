import { happenedIn, lastVisitOf, placeOfEvent } from "@/data/queries/visits";
import { reading } from "@/mechanism/action";
import { Id, MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadHappened {
  @Id() collection: string;
  /** The last event of the page before. */
  @MaybeId() before?: string;
}

const PAGE = 100;

export const readHappened = reading({
  name: "collections.happened",
  about:
    "What happened in a collection, newest first, by whom and to what, a page at a time; and when one was last here for a while.",
  input: ReadHappened,
  allow: can.seeHere("collection"),
  run: async ({ input: { collection, before }, scope, tx }) => {
    const visit = { collection, person: scope.person! };
    const from = before ? await placeOfEvent(tx, before) : null;
    // What the page before ended with has been cleared, and so has all that came before it.
    if (before && !from) return { since: null, events: [], more: false };
    const [since, found] = await Promise.all([lastVisitOf(tx, visit), happenedIn(tx, visit, from, PAGE + 1)]);
    const events = found.slice(0, PAGE).map(({ heading, resourceTitle, ...one }) => ({
      ...one,
      item: heading || resourceTitle,
    }));
    return { since, events, more: found.length > PAGE };
  },
});
