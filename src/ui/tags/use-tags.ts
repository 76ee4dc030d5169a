"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { reloads } from "@/core/history/verbs";
import type { Answer } from "@/services/registry";
import { sayDone, useUndo } from "../shell/use-undo";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { useLive } from "../talk/use-live";
import type { Tag } from "./merge-dialog";

type Tended = Answer<"tags.tend">;
export type TagRow = Tended["tags"][number];

/** The tags of a team as they are now, which of them are chosen, and what can be done about them. */
export function useTags(team: string, first: Tended) {
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey: ["tend", team],
    queryFn: () => ask("tags.tend", { team }),
    initialData: first,
    refetchInterval: ({ state }) => (state.data?.old ? 4_000 : false),
  });
  const [marked, setMarked] = useState<ReadonlySet<string>>(new Set());
  const again = () => {
    void client.invalidateQueries({ queryKey: ["tend", team] });
    void client.invalidateQueries({ queryKey: ["tags", team] });
  };
  useUndo(team, again);
  useLive(team, {
    onEvents: (events) => events.some((event) => reloads(event, "tags")) && again(),
    onReload: again,
  });
  const done = (words: string, entry: string | null) => {
    again();
    sayDone(words, team, entry, again);
  };

  const merge = (kept: Tag, others: Tag[]) =>
    void call("tags.merge", { tag: kept.id, others: others.map((one) => one.id) })
      .then(({ merged, entry }) => {
        setMarked(new Set());
        done(`Merged ${merged} into ${kept.name}.`, entry);
      })
      .catch(sayFailure);
  const remove = (tags: TagRow[]) =>
    void call("tags.delete", { team, tags: tags.map((one) => one.id) })
      .then(({ entry }) => {
        setMarked(new Set());
        done(tags.length === 1 ? `Deleted: ${tags[0]!.name}` : `Deleted ${tags.length} tags.`, entry);
      })
      .catch(sayFailure);
  const rename = async (tag: TagRow, name: string) => {
    const { entry } = await call("tags.rename", { tag: tag.id, name });
    done(`${tag.name} is now ${name}.`, entry);
  };
  return { ...data, marked, setMarked, merge, remove, rename };
}
