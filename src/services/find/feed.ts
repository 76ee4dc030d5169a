import {
  type Feeding,
  forgetDue,
  lockIndex,
  lockTerms,
  takeDue,
  wordsOf,
  writeTerms,
} from "@/data/queries/search-feed";
import { transact } from "@/data/transaction";
import { weighInThread } from "@/outside/threads/pool";
import { database } from "../action";

/** Resources fed in one transaction. */
const BATCH = 200;

/**
 * Feeds the index of words with some of the resources that changed. Done by a worker all the time, and by a search
 * that finds only a few due, so that what was saved a moment ago is found.
 * @param team only of this team
 * @returns how many changes were taken up
 */
export async function feedSome(team: string | null = null, most = BATCH): Promise<number> {
  return transact(database(), async (tx) => {
    const due = await takeDue(tx, team, most);
    if (!due.length) return 0;
    await lockIndex(
      tx,
      due.map((one) => one.team),
    );
    const before = await lockTerms(tx, due);
    const ids = [...before.keys()];
    const teamOf = new Map(due.map((one) => [one.resource, one.team]));
    const words = await wordsOf(tx, ids);
    const weighed = await weighInThread(words);
    const after = new Map(words.map((one, i) => [one.id, weighed[i]!]));
    const feedings: Feeding[] = ids.map((id) => ({
      resource: id,
      team: teamOf.get(id)!,
      before: before.get(id)!,
      after: after.get(id) ?? [],
    }));
    await writeTerms(tx, feedings);
    await forgetDue(
      tx,
      due.map((one) => one.id),
    );
    return due.length;
  });
}
