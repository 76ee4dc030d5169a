import { watchMore } from "@/data/queries/links";
import { addJobs } from "@/data/queries/jobs";
import { changingByItself, database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { lookAtLinks } from "./look-at";

/** How often it is looked which addresses are due, in milliseconds. */
const EVERY = 60_000;
/** Each so many of these it is looked for addresses that are new: that goes through the whole catalogue. */
const NEW_EVERY = 15;
/** Within so many seconds an address that is new here is asked for the first time; so many are taken up at once. */
const [WITHIN, AT_ONCE] = [7 * 86_400, 2_000];

/** Watches addresses that are new, and asks what is due. Comes again in a while. */
export async function watchLinks(): Promise<void> {
  const at = now();
  // First: whatever happens below, it is looked again.
  await scheduleLinks(new Date(at.getTime() + EVERY));
  if (Math.floor(at.getTime() / EVERY) % NEW_EVERY === 0)
    await changingByItself((tx) => watchMore(tx, at, WITHIN, AT_ONCE));
  await lookAtLinks();
}

/** Puts the watching of links in the queue, once in each span. */
export async function scheduleLinks(at: Date): Promise<void> {
  const span = Math.floor(at.getTime() / EVERY);
  await addJobs(database(), [
    {
      ...{ id: newId(), kind: "links.watch", uniqueKey: `links.watch:${span}`, payload: {} },
      ...{ runAt: at, createdAt: now() },
    },
  ]);
}
