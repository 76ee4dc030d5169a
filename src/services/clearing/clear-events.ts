import { rewind } from "@/core/history/rewind";
import { lockCollection } from "@/data/queries/collections";
import {
  changesSince,
  clearEventsOf,
  clearOtherEvents,
  keepSnapshot,
  oldestEvent,
  stateOf,
  withEventsBefore,
} from "@/data/queries/snapshots";
import { transact } from "@/data/transaction";
import { database } from "@/mechanism/changing";
import { log } from "@/outside/log";
import { newId } from "@/outside/random";
import { settings } from "@/outside/settings";

const DAY = 86_400_000;
/** So many days are cleared together: a state of each collection that changed is kept for as many. */
const TOGETHER = 30;
const COLLECTIONS = 200;
const EVENTS = 2_000;

/**
 * Clears what happened longer ago than is kept in detail, a month at once. How each collection was at the end of it is
 * kept first, found by going back from what there is now.
 * @param at now
 * @returns how many events went, and how many states were kept
 */
export async function clearEvents(at: Date): Promise<{ events: number; snapshots: number }> {
  const before = new Date(at.getTime() - Number(settings().keepEvents) * DAY);
  const cleared = { events: 0, snapshots: 0 };
  const oldest = await oldestEvent(database());
  const due = oldest !== null && oldest.getTime() < before.getTime() - TOGETHER * DAY;
  for (;;) {
    const some = due ? await withEventsBefore(database(), before, COLLECTIONS) : [];
    for (const { id, team } of some) {
      cleared.events += await clearCollection(id, team, before);
      cleared.snapshots++;
    }
    if (some.length < COLLECTIONS) break;
  }
  for (;;) {
    const nothing = new Date(0);
    const gone = await transact(database(), (tx) =>
      clearOtherEvents(tx, due ? before : nothing, new Date(at.getTime() - DAY), EVENTS),
    );
    cleared.events += gone;
    if (gone < EVENTS) break;
  }
  if (cleared.events) log.info(cleared, "cleared old events");
  return cleared;
}

/** One collection: nobody changes it meanwhile, so that the state is that of one moment. */
const clearCollection = (id: string, team: string, before: Date): Promise<number> =>
  transact(database(), async (tx) => {
    await lockCollection(tx, id);
    const { state, since } = await stateOf(tx, id);
    const then = rewind(state, await changesSince(tx, team, id, before));
    const there = [...then].flatMap(([name, fields]) => {
      const isLater = (since.get(name)?.getTime() ?? 0) >= before.getTime();
      const { gone, ...rest } = fields ?? { gone: true };
      return gone === true || isLater || (rest.collection ?? id) !== id
        ? []
        : [[name, rest] as [string, object]];
    });
    await keepSnapshot(tx, {
      id: newId(),
      team,
      collection: id,
      at: before,
      state: there as [string, Record<string, unknown>][],
    });
    return clearEventsOf(tx, team, id, before);
  });
