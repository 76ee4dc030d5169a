"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type Part, reloads } from "@/core/history/verbs";
import { useLive } from "./use-live";

/**
 * What a screen of a team shows, as it was when the page came, and read again when something of it is told to be other.
 * @param key under which it is kept; of every answer another one
 * @param read asks for it anew
 * @param first what came with the page
 * @param parts what it is of: an event about one of these has it read again
 * @returns the answer, and the way to have it read again
 * @example
 * const [{ groups }, again] = useLiveAnswer(team.id, ["groups", team.id], () => ask("groups.read", { team: team.id }), first, "groups");
 */
export function useLiveAnswer<T>(
  team: string,
  key: readonly string[],
  read: () => Promise<T>,
  first: T,
  ...parts: Part[]
): [T, () => void] {
  const client = useQueryClient();
  // Nobody hears what happens while the screen is not there: who comes back is shown what came with the page.
  const { data } = useQuery({ queryKey: key, queryFn: read, initialData: first as never, gcTime: 0 });
  const again = () => void client.invalidateQueries({ queryKey: key });
  useLive(team, {
    onEvents: (events) => events.some((event) => reloads(event, ...parts)) && again(),
    onReload: again,
  });
  return [data as T, again];
}
