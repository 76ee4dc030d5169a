import { NEWS_WORDS, useNewsOf } from "./news-context";

/** That an item is another one since one was here; the item itself says it to those who hear it. */
export function NewsWord({ item, behind }: { item: string; behind?: React.ReactNode }) {
  const news = useNewsOf(item);
  if (!news) return null;
  return (
    <>
      <b aria-hidden className="font-semibold text-accent">
        {NEWS_WORDS[news]}
      </b>
      {behind}
    </>
  );
}

/** The same where there is no room for a word. */
export function NewsDot({ item }: { item: string }) {
  const news = useNewsOf(item);
  if (!news) return null;
  return (
    <span aria-hidden title={NEWS_WORDS[news]} className="mr-1 inline-block size-2 rounded-full bg-accent" />
  );
}
