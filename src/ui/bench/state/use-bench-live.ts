"use client";

import { useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { type Part, reloads } from "@/core/history/verbs";
import type { LiveEvent } from "@/services/events/hub";
import { useLive } from "../../talk/use-live";

type Renewing = { renew: (placements: string[], resources: string[]) => Promise<void>; reload: () => void };

/** Brings what happens in the team to the open Bench: changed items one by one, the head and the supply as a whole. */
export function useBenchLive(team: string, collection: string, { renew, reload }: Renewing): void {
  const client = useQueryClient();
  const later = useRef<ReturnType<typeof setTimeout>>(undefined);
  const again = (key: string, id: string) => client.invalidateQueries({ queryKey: [key, id] });
  const onEvents = (events: LiveEvent[]) => {
    const here = events.filter((event) => event.collection === collection);
    const of = (part: Part, among = events) => among.filter((event) => reloads(event, part));
    const subjects = (some: LiveEvent[]) => [...new Set(some.map((event) => event.subject))];
    const placements = subjects(of("item", here));
    const resources = subjects(of("resource"));
    if (of("list").length || of("items", here).length) reload();
    else renew(placements, resources).catch(reload);
    for (const id of resources) {
      void again("resource", id);
      void again("proposal", id);
    }
    if (of("presence", here).length) void again("presence", collection);
    for (const part of ["tray", "catalogue", "tags", "tree"] as const)
      if (of(part).length) void again(part, team);
    if (of("comments", here).length) void again("comments", collection);
    if (of("notices").length) {
      void client.invalidateQueries({ queryKey: ["notices"] });
      void client.invalidateQueries({ queryKey: ["tray", team, "waiting"] });
    }
    if (of("outcomes").length) void again("served", collection);
    if (of("weighing").length) {
      void again("weighed", collection);
      void client.invalidateQueries({ queryKey: ["appraisals"] });
    }
    const heads = of("head", here);
    if (heads.length || resources.length) {
      // The head sums up everything; once for a burst is enough, unless it is the head itself that changed.
      const itself = heads.some((event) => !reloads(event, "item", "resource"));
      clearTimeout(later.current);
      later.current = setTimeout(() => void again("collection", collection), itself ? 0 : 300);
    }
  };
  useLive(team, { onEvents, onReload: () => (reload(), void client.invalidateQueries()) });
}
