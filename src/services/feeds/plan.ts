import { addFeeds, dropUnfollowedFeeds, dueFeeds, followsWithoutFeed } from "@/data/queries/feeds";
import { addJobs } from "@/data/queries/jobs";
import { changingByItself, database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { signal } from "@/outside/signals";
import { feedJob } from "./jobs";

/** How often it is looked which feeds are due, in milliseconds. */
const EVERY = 5 * 60_000;
/** So many are due at the most in one of these spans; the others are later. */
const AT_ONCE = 1_000;

/** Puts what is due in the queue, and lets go of what nobody follows. Comes again in a while. */
export async function planFeeds(): Promise<void> {
  const at = now();
  // First: whatever happens below, it is looked again.
  await scheduleFeeds(new Date(at.getTime() + EVERY));
  await changingByItself(async (tx) => {
    await dropUnfollowedFeeds(tx, AT_ONCE);
    const lacking = await followsWithoutFeed(tx, AT_ONCE);
    await addFeeds(
      tx,
      lacking.map(({ hash, what, name }) => ({ id: newId(), hash, address: what, title: name, nextAt: at })),
    );
    const due = await dueFeeds(tx, at, AT_ONCE);
    await addJobs(
      tx,
      due.map((feed) => feedJob(feed, at)),
    );
  });
  signal("jobs");
}

/** Puts the planning of feeds in the queue, once in each span. */
export async function scheduleFeeds(at: Date): Promise<void> {
  const span = Math.floor(at.getTime() / EVERY);
  await addJobs(database(), [
    {
      ...{ id: newId(), kind: "feeds.plan", uniqueKey: `feeds.plan:${span}`, payload: {} },
      ...{ runAt: at, createdAt: now() },
    },
  ]);
}
