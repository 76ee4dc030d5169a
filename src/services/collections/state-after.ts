import { rewind, type State } from "@/core/history/rewind";
import { readThen, type Then } from "@/core/history/then";
import type { Tx } from "@/data/database";
import {
  changesAfter,
  type EventChanges,
  type EventPlace,
  resourceStates,
  stateOf,
  strayedItems,
} from "@/data/queries/snapshots";
import { Problem } from "@/mechanism/problem";

/**
 * How a collection was after an event, found by going back from how it is, and how it is.
 * @throws {Problem} history-too-long
 */
export async function stateAfter(tx: Tx, id: string, event: EventPlace): Promise<{ then: Then; now: Then }> {
  const { state: here, since } = await stateOf(tx, id);
  const inIt = await mustBeKnown(changesAfter(tx, { collection: id }, event));
  const changed = inIt.flatMap((one) => one.changes);
  const strayed = [
    ...new Set(
      changed.flatMap(({ type, id: thing }) =>
        type === "placement" && !here.has(`placement~${thing}`) ? [thing] : [],
      ),
    ),
  ];
  const items: State = new Map([...here, ...(await strayedItems(tx, strayed))]);
  const named = [...items.values(), ...changed.map((one) => one.before)];
  const resources = [
    ...new Set(named.flatMap((fields) => (typeof fields?.resource === "string" ? [fields.resource] : []))),
  ];
  const today: State = new Map([...items, ...(await resourceStates(tx, resources))]);
  // What was done to them is told of themselves, wherever they stand.
  const elsewhere = await mustBeKnown(changesAfter(tx, { subjects: [...strayed, ...resources] }, event));
  const state = rewind(today, inOrder([...inIt, ...elsewhere]));
  return {
    then: readThen(state, id, since, event.at),
    now: readThen(today, id, new Map(), new Date()),
  };
}

async function mustBeKnown(asked: Promise<EventChanges[] | null>): Promise<EventChanges[]> {
  const found = await asked;
  if (!found) throw new Problem("history-too-long");
  return found;
}

/** In the order in which it was done, each once: what was done to something in two places is told in both. */
function inOrder(all: readonly EventChanges[]) {
  const once = new Map(all.map((one) => [one.id, one]));
  return [...once.values()]
    .sort((a, b) => a.written.getTime() - b.written.getTime() || (a.id < b.id ? -1 : 1))
    .flatMap((one) => one.changes);
}
