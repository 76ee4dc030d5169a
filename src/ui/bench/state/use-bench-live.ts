"use client";

import { useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import type { LiveEvent } from "@/services/events/hub";
import { useLive } from "../../talk/use-live";

type Renewing = { renew: (placements: string[], resources: string[]) => Promise<void>; reload: () => void };

/** After these the whole list is read again; they are rare and touch many items at once. */
const WHOLE = new Set([
  "sections.remove",
  "bin.restore-section",
  "bin.restore-resource",
  "resources.remove",
  "tags.edit",
  "imports.done",
  "imports.undone",
]);

/** Brings what happens in the team to the open Bench: changed items one by one, the head and the supply as a whole. */
export function useBenchLive(team: string, collection: string, { renew, reload }: Renewing): void {
  const client = useQueryClient();
  const later = useRef<ReturnType<typeof setTimeout>>(undefined);
  const again = (key: string, id: string) => client.invalidateQueries({ queryKey: [key, id] });
  const onEvents = (events: LiveEvent[]) => {
    const here = events.filter((event) => event.collection === collection);
    const about = (prefix: string) => events.filter((event) => event.verb.startsWith(prefix));
    const placements = here
      .filter((event) => /^(placements\.|bin\.restore-placement)/.test(event.verb))
      .map((event) => event.subject);
    const resources = [...about("resources."), ...about("tags.")].map((event) => event.subject);
    if (
      events.some((event) => WHOLE.has(event.verb)) ||
      here.some((event) => event.verb === "imports.progress")
    )
      reload();
    else renew([...new Set(placements)], [...new Set(resources)]).catch(reload);
    for (const id of new Set(resources)) {
      void again("resource", id);
      void again("proposal", id);
    }
    if (here.some((event) => event.verb === "presence")) void again("presence", collection);
    if (about("tray.").length || resources.length || placements.length) void again("tray", team);
    if (resources.length) void again("catalogue", team);
    if (about("tags.").length) void again("tags", team);
    if (about("collections.").length || about("imports.").length || about("bin.").length)
      void again("tree", team);
    if (here.some((event) => event.verb !== "presence") || resources.length) {
      // The head sums up everything; once for a burst is enough.
      clearTimeout(later.current);
      later.current = setTimeout(
        () => void again("collection", collection),
        here.some((e) => /^(sections|collections|share)\./.test(e.verb)) ? 0 : 300,
      );
    }
  };
  useLive(team, { onEvents, onReload: () => (reload(), void client.invalidateQueries()) });
}
