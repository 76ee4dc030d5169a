import { bringToTrays } from "@/services/feeds/bring-to-tray";
import { planFeeds } from "@/services/feeds/plan";
import { readFeedNow } from "@/services/feeds/read-feed";
import type { JobKind } from "./job-kind";

/** Reads one feed from elsewhere. When it is asked again, it says itself: a failed one is not tried before. */
export const readFeedJob: JobKind = { run: async ({ feed }) => readFeedNow(String(feed)) };

/** Brings what came in a feed to the Trays of those who wish it. */
export const feedToTraysJob: JobKind = { run: async ({ feed }) => bringToTrays(String(feed)) };

/** Looks which feeds are due. */
export const planFeedsJob: JobKind = { run: () => planFeeds() };
