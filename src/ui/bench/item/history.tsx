"use client";

import { useQuery } from "@tanstack/react-query";
import { sayEvent } from "../../desk/say-event";
import { ask } from "../../talk/call";
import { sayAgo } from "../../talk/say-time";
import { useUnfolded } from "../../parts/use-unfolded";

/** Who did what to the item, newest first; read when it is opened. */
export function History({ resource, placement }: { resource: string; placement: string }) {
  const [open, , unfolded] = useUnfolded();
  const { data } = useQuery({
    queryKey: ["history", resource, placement],
    queryFn: () => ask("resources.history", { resource }),
    enabled: open,
    staleTime: 0,
  });
  return (
    <details {...unfolded}>
      <summary className="text-sm font-semibold">History</summary>
      <ol className="mt-1">
        {data?.events.map((event) => (
          <li key={event.id} className="flex justify-between gap-4 border-b border-line py-1 text-[15px]">
            <span>{sayEvent(event, "", 1)}</span>
            <span className="text-sm whitespace-nowrap text-quiet" suppressHydrationWarning>
              {sayAgo(event.at)}
            </span>
          </li>
        ))}
      </ol>
      {data?.events.length === 0 && <p className="text-quiet">Nothing was noted yet.</p>}
    </details>
  );
}
