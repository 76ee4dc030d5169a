/** A kind of work for later. */
export type JobKind = {
  run: (payload: Record<string, unknown>) => Promise<void>;
  /** Makes it visible where people look, when it failed too often. */
  givenUp?: (payload: Record<string, unknown>) => Promise<void>;
};
