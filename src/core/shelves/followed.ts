/** What can be followed of what is public. */
export const FOLLOWED = ["collection", "team", "subject", "search"] as const;
export type Followed = (typeof FOLLOWED)[number];
