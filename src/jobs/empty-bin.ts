import { clearLimits } from "@/data/limits";
import { clearBins } from "@/data/queries/bin";
import { clearImports } from "@/data/queries/imports";
import { dropClosedListings } from "@/data/queries/listings";
import { clearKept } from "@/data/queries/log";
import { clearOrders } from "@/data/queries/ordered-files";
import { pruneHistory } from "@/data/queries/history";
import { addJobs } from "@/data/queries/jobs";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { clearEvents } from "@/services/clearing/clear-events";
import { clearFiles } from "@/services/clearing/clear-files";
import { clearUploads } from "@/services/files/uploads";
import { settings } from "@/outside/settings";
import type { JobKind } from "./job-kind";

const DAY = 86_400_000;
const KEPT = 30 * DAY;

/** Clears what has lain in the bin for as long as its team keeps it, what happened too long ago and what nobody holds any more; comes again tomorrow. */
export const emptyBin: JobKind = {
  run: async () => {
    await clearBins(database(), now());
    await clearKept(database(), now(), Number(settings().keepEvents));
    await dropClosedListings(database(), now());
    await pruneHistory(database(), 100);
    await clearEvents(now());
    await clearOrders(database(), now());
    await clearFiles(now());
    await clearImports(database(), new Date(now().getTime() - KEPT));
    await clearLimits(database(), now());
    await clearUploads(new Date(now().getTime() - DAY));
    const tomorrow = new Date(now().getTime() + DAY);
    // One key a day: however many workers come to this, there is one job.
    await scheduleBin(tomorrow);
  },
};

/** Puts the clearing of the bin in the queue for a day, once. */
export async function scheduleBin(day: Date): Promise<void> {
  await addJobs(database(), [
    {
      id: newId(),
      kind: "bin.empty",
      uniqueKey: `bin.empty:${day.toISOString().slice(0, 10)}`,
      payload: {},
      runAt: day,
      createdAt: now(),
    },
  ]);
}
