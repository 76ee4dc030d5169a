import type { Answer } from "@/services/registry";

/** What was suggested for a collection, as whoever decides sees it. */
export type Shown = Answer<"suggestions.read">;
/** One of those that wait. */
export type Waiting = Shown["waiting"][number];
