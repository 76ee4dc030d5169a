import { type FeedDocument, feedDocument } from "@/core/feeds/entries";

export type FeedTask = { text: string; at: Date };

/** What is taken of a feed's document; null when it is none, or nested deeper than any is. */
export default function work({ text, at }: FeedTask): FeedDocument | null {
  try {
    return feedDocument(text, at);
  } catch {
    return null;
  }
}
