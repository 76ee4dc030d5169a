/** What can be followed: what is public here, and feeds of what stands elsewhere. */
export const FOLLOWED = ["collection", "team", "person", "subject", "search", "feed"] as const;
export type Followed = (typeof FOLLOWED)[number];
