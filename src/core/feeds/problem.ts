import type { FetchProblem } from "../page/facts";

/** Why a feed could not be read: it did not answer as a page does not, or it is gone for good, or what answers is no feed. */
export type FeedProblem = FetchProblem | "gone" | "no-feed";
