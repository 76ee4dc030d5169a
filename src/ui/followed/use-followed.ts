"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import type { Followed } from "@/core/shelves/followed";
import type { Answer } from "@/services/registry";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";

export type FollowedNow = Answer<"follows.read">;

/** What one follows in a team, and what came there. */
export const useFollowed = (team: string, first?: FollowedNow) =>
  useQuery({
    queryKey: ["followed", team],
    queryFn: () => ask("follows.read", { team }),
    initialData: first,
    staleTime: 30_000,
  });

/** Follows something, or lets it go. */
export function useFollowing(team: string) {
  const { data } = useFollowed(team);
  const client = useQueryClient();
  const again = () => client.invalidateQueries({ queryKey: ["followed", team] });
  const is = (kind: Followed, what: string) =>
    data?.follows.some((one) => one.kind === kind && one.what.toLowerCase() === what.toLowerCase()) ?? false;
  const set = (on: boolean, kind: Followed, what: string, name: string, title?: string) =>
    call(on ? "follows.add" : "follows.remove", { team, kind, what, ...(on && { title }) })
      .then(() => {
        void again();
        toast(
          on
            ? `You follow ${name}. What is new stands under Gather, Followed.`
            : `You follow ${name} no more.`,
        );
      })
      .catch(sayFailure);
  return { is, set, again };
}
