import { createContext, useContext } from "react";
import type { Answer } from "@/services/registry";

type Given = Answer<"collections.news">;
/** What is other in the open collection since one was here. */
type News = {
  items: ReadonlyMap<string, Given["items"][number]["news"]>;
  gone: number;
  since: string | null;
};

/** As it was when the page came: looking at it is what makes it old. */
export const NewsContext = createContext<News>({ items: new Map(), gone: 0, since: null });
/** What is other about an item; undefined: nothing. */
export const useNewsOf = (item: string) => useContext(NewsContext).items.get(item);

/** The same, as the answer has it. */
export const newsFrom = ({ items, gone, since }: Given): News => ({
  items: new Map(items.map((one) => [one.id, one.news])),
  gone,
  since,
});

export const NEWS_WORDS = { new: "New", words: "Other words", moved: "Moved" } as const;
