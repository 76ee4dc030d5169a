"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { createContext, useMemo } from "react";
import type { Answer } from "@/services/registry";
import { ask } from "../../talk/call";
import { deliver } from "../../talk/deliver";
import { newId } from "../../talk/ids";
import { sayFailure } from "../../talk/say-failure";
import type { Mark, useMarks } from "./use-marks";

type OnMarks = Answer<"comments.on-marks">;
export type SaidOnMark = OnMarks["comments"][number];
/** The item at which something is said: of all where the text stands, the one from which one came. */
export type SaidAt = { collection: string; placement: string; title: string };

/** What is said about the marks of a text, by mark, and how something is said; null: nowhere to say it. */
export const SaidContext = createContext<ReturnType<typeof useSaid> | null>(null);

const keyOf = (resource: string) => ["said-of-marks", resource];

/** What is said about the marks of a text in the collections where one sees it. What one says shows at once. */
export function useSaid(
  resource: string,
  at: SaidAt | null,
  me: { id: string; name: string },
  marks: ReturnType<typeof useMarks>,
) {
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey: keyOf(resource),
    queryFn: () => ask("comments.on-marks", { resource }),
    enabled: marks.marks.length > 0,
  });
  const byMark = useMemo(() => {
    const by = new Map<string, SaidOnMark[]>();
    for (const one of data?.comments ?? []) by.set(one.mark, [...(by.get(one.mark) ?? []), one]);
    return by;
  }, [data]);
  const again = () => void client.invalidateQueries({ queryKey: keyOf(resource) });
  /** The thread in which what is said about a mark goes on: at the item one came from, or where it was begun last. */
  const begunOn = (mark: string): SaidOnMark | undefined => {
    const threads = (byMark.get(mark) ?? []).filter((one) => !one.thread);
    return threads.findLast((one) => one.placement === at?.placement) ?? threads.at(-1);
  };
  const whereToSay = (mark: string): Pick<SaidAt, "collection" | "title"> | null => begunOn(mark) ?? at;
  const say = async (mark: Mark, words: string) => {
    const comment = newId();
    const begun = begunOn(mark.id);
    const { placement, collection, title } = begun ?? at!;
    const fresh: SaidOnMark = {
      ...{ id: comment, placement, section: null, mark: mark.id, collection, title },
      ...{ quote: mark.quote, fragment: mark.fragment, resource, thread: begun?.id ?? null, by: me, words },
      ...{ settledAt: null, createdAt: new Date().toISOString(), editedAt: null, gone: false },
    };
    client.setQueryData<OnMarks>(keyOf(resource), (old) => ({ comments: [...(old?.comments ?? []), fresh] }));
    const about = begun ? { thread: begun.id } : { placement: placement!, mark: mark.id };
    const input = { collection, comment, words, ...about };
    // A mark that was made a moment ago may still be on its way.
    await marks.arrived(mark.id);
    await deliver("comments.add", input, `comment:${comment}`, words).catch(sayFailure);
    again();
  };
  return { byMark, whereToSay, me: me.id, say, again };
}
