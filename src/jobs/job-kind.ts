/** A kind of work for later. */
export type JobKind = {
  /** @param attempt which try this is; the first is 1 */
  run: (payload: Record<string, unknown>, attempt?: number) => Promise<void>;
  /** How long it waits for each next try when it failed, in milliseconds; so often it is tried again. */
  pauses?: readonly number[];
  /** Makes it visible where people look, when it failed too often. */
  givenUp?: (payload: Record<string, unknown>) => Promise<void>;
};
