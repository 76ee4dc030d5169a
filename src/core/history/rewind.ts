import { type Change, type EntityType, type Fields, inverted } from "./change";

/** Things by kind and id, with `~` in between, and their fields as far as they are known. */
export type State = Map<string, Fields>;

/**
 * The name of a thing in a state.
 * @param id of a link the two ids it connects
 */
export const nameOf = (type: EntityType, id: string): string => `${type}~${id}`;

/**
 * Goes back in a history: things as they were before these changes. What was not there then is null, or gone.
 * @param now things as they are
 * @param changes of everything since, in the order in which it was done
 * @returns another state; `now` stays as it is
 */
export function rewind(now: ReadonlyMap<string, Fields>, changes: readonly Change[]): State {
  const then = new Map(now);
  for (const { type, id, after } of inverted(changes)) {
    const name = nameOf(type, id);
    then.set(name, after === null ? null : { ...then.get(name), ...after });
  }
  return then;
}
