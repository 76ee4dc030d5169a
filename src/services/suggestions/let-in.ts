import { lockCollections } from "@/data/queries/collections";
import type { NewJob } from "@/data/queries/jobs";
import { lockSuggestions, suggestionPageOf, waitingByItself } from "@/data/queries/suggestions";
import { changingByItself } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { takeIn } from "./take-in";

/** So many in one transaction: whoever suggests something meanwhile waits for it. */
const AT_ONCE = 25;

/** The job that takes in what is let in at once; while one waits for a collection, another one is the same. */
export const letInJob = (collection: string, team: string, createdAt: Date): NewJob => ({
  id: newId(),
  kind: "suggestions.let-in",
  uniqueKey: `suggestions.let-in:${collection}`,
  team,
  payload: { collection },
  createdAt,
});

/**
 * Takes into a collection what came for it while things are let in at once. A class of two hundred writes side by side, and
 * what they wrote is put in its place a few at a time.
 */
export async function letIn(collection: string): Promise<void> {
  while ((await letInSome(collection)) > 0);
}

const letInSome = (id: string): Promise<number> =>
  changingByItself(async (tx, begin) => {
    const [collection] = await lockCollections(tx, [id]);
    const page = await suggestionPageOf(tx, id);
    if (!collection || collection.deletedAt || !page?.letsIn) return 0;
    const found = await lockSuggestions(tx, await waitingByItself(tx, id, AT_ONCE));
    const rows = [...found.values()]
      .filter(({ state, deletedAt }) => state === "waiting" && !deletedAt)
      .sort((a, b) => a.createdAt.getTime() - b.createdAt.getTime());
    const set = begin({ team: collection.team, person: null });
    const whose = { team: collection.team, person: page.createdBy };
    await takeIn({ tx, set }, whose, collection, rows, { section: undefined, thanks: true, word: "" });
    return rows.length;
  });
