import type { Kind } from "@/core/page/facts";
import type { asCard } from "../shelves/shown";

/** So many of what has news are shown with it, so much of each. */
export const SHOWN = 30;
export const OF_EACH = 10;

/** What came in one thing that is followed: items of a collection or a feed, or collections. */
export type News = {
  follow: string;
  /** How many came; not all of them are here. */
  count: number;
  items: {
    id: string;
    from: string;
    kind: Kind;
    address: string;
    minutes: number | null;
    title: string;
    context: string;
    /** What a feed says of it. */
    about: string;
    addedAt: string;
  }[];
  collections: ReturnType<typeof asCard>[];
};
