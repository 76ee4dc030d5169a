/**
 * A catalogue of so many is counted whenever somebody asks, which shows what was done this instant. Of a larger one
 * what is kept by difference is read: it is as old as the feeding of the index, mostly a second.
 */
const MOST = 5_000;

/** Whether a team of so many resources in the index is counted anew. */
export const countedAnew = (indexed: number): boolean => indexed <= MOST;
