import { BULK, type NewJob } from "@/data/queries/jobs";
import { newId } from "@/outside/random";

const job = (kind: string, feed: string, at: Date, priority: number): NewJob => ({
  ...{ id: newId(), kind, uniqueKey: `${kind}:${feed}`, payload: { feed } },
  ...{ createdAt: at, priority },
});

/** The job that reads a feed. */
export const feedJob = (feed: string, at: Date, priority = BULK): NewJob =>
  job("feeds.read", feed, at, priority);

/** The job that brings what came in it to the Trays of those who wish it. */
export const trayJob = (feed: string, at: Date): NewJob => job("feeds.to-trays", feed, at, BULK);
