"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { createContext, useContext, useMemo } from "react";
import { countOpen } from "@/core/talk/threads";
import type { Answer } from "@/services/registry";
import { sayDone } from "../../shell/use-undo";
import { ask, call } from "../../talk/call";
import { deliver } from "../../talk/deliver";
import { newId } from "../../talk/ids";
import { sayFailure } from "../../talk/say-failure";
import { useBench } from "../state/bench-context";

type Talk = Answer<"comments.of-collection">;
export type Comment = Talk["comments"][number];
/** What something that is said is about; neither: the collection as a whole. */
export type About = {
  placement?: string;
  section?: string;
  /** Of an item: the mark that is meant, and what it marks. */
  mark?: { id: string; resource: string; quote: string; fragment: string };
};

/** How much is said about each item and section that is not settled; by ids, of the collection itself under "". */
export const TalkContext = createContext<ReadonlyMap<string, number>>(new Map());
export const useTalkCount = (id: string): number => useContext(TalkContext).get(id) ?? 0;

const keyOf = (collection: string) => ["comments", collection];
const useComments = (collection: string, first?: Talk) =>
  useQuery({
    queryKey: keyOf(collection),
    queryFn: () => ask("comments.of-collection", { collection }),
    initialData: first,
    // Items bring theirs along from other collections.
    staleTime: 5_000,
  });

/** Counts what is said in a collection, for `TalkContext`. */
export function useTalkCounts(collection: string, first: Talk): ReadonlyMap<string, number> {
  const { data } = useComments(collection, first);
  return useMemo(() => countOpen(data?.comments ?? []), [data]);
}

/** What is said in the open collection, and what can be done with it. What one says shows at once and is sent behind. */
export function useTalk() {
  const { team, collection, me } = useBench();
  const client = useQueryClient();
  const { data } = useComments(collection);
  const again = () => void client.invalidateQueries({ queryKey: keyOf(collection) });
  const put = (next: (old: Comment[]) => Comment[]) =>
    client.setQueryData<Talk>(keyOf(collection), (old) => old && { comments: next(old.comments) });
  const refused = (failure: unknown) => {
    sayFailure(failure);
    again();
  };
  return {
    collection,
    /** Whose names what is said can hold. */
    among: { collection, me: me?.id },
    comments: data?.comments ?? [],
    say: (words: string, about: About & { thread?: string }) => {
      const comment = newId();
      const { placement = null, section = null, thread = null } = about;
      const meant = {
        mark: about.mark?.id ?? null,
        quote: about.mark?.quote ?? null,
        fragment: about.mark?.fragment ?? null,
        resource: about.mark?.resource ?? null,
      };
      const fresh = {
        ...{ id: comment, placement, section, thread, by: me!, words, settledAt: null, editedAt: null },
        ...meant,
        ...{ createdAt: new Date().toISOString(), gone: false },
      };
      put((old) => [...old.map((one) => (one.id === thread ? { ...one, settledAt: null } : one)), fresh]);
      const input = { collection, comment, words, ...about, mark: about.mark?.id };
      deliver("comments.add", input, `comment:${comment}`, words).then(again, refused);
    },
    edit: async (comment: Comment, words: string) => {
      await deliver("comments.edit", { comment: comment.id, words }, `comment:${comment.id}:words`, words);
      put((old) => old.map((one) => (one.id === comment.id ? { ...one, words } : one)));
      again();
    },
    remove: (comment: Comment) =>
      void call("comments.remove", { comment: comment.id }).then(({ entry }) => {
        again();
        sayDone("Taken back.", team, entry, again);
      }, refused),
    settle: (comment: Comment, settled: boolean) =>
      void call("comments.settle", { comment: comment.id, settled }).then(({ entry }) => {
        again();
        sayDone(settled ? "Settled." : "Open again.", team, entry, again);
      }, refused),
  };
}
