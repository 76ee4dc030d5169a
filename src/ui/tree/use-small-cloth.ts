"use client";

import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import type { Yarn } from "@/core/cover/weave";
import { ask } from "../talk/call";

type Node = { id: string; parent: string | null };
/** Deeper than this nothing stands; a ring, which must not be, ends there. */
const DEEPEST = 50;

/** What the small cloth of each collection of a tree is woven from: how much of each kind it and everything inside it holds. */
export function useSmallCloth(team: string, nodes: readonly Node[]): ReadonlyMap<string, Yarn[]> {
  const { data } = useQuery({
    queryKey: ["tree", team, "kinds"],
    queryFn: () => ask("collections.kinds", { team }),
  });
  return useMemo(() => {
    const parents = new Map(nodes.map((node) => [node.id, node.parent]));
    const sums = new Map<string, Map<Yarn["kind"], number>>();
    for (const { id, kinds } of data?.collections ?? []) {
      let at: string | null | undefined = id;
      for (let depth = 0; at && depth < DEEPEST; depth++, at = parents.get(at)) {
        const sum = sums.get(at) ?? new Map<Yarn["kind"], number>();
        for (const { kind, minutes } of kinds) sum.set(kind, (sum.get(kind) ?? 0) + minutes);
        sums.set(at, sum);
      }
    }
    return new Map([...sums].map(([id, sum]) => [id, asYarns([...sum].sort(([, a], [, b]) => b - a))]));
  }, [data, nodes]);
}

/** In the proportion they have: minutes of one item count up to an hour only. */
function asYarns(sums: [Yarn["kind"], number][]): Yarn[] {
  const all = sums.reduce((sum, [, minutes]) => sum + minutes, 0) || 1;
  return sums.map(([kind, minutes]) => ({ kind, minutes: Math.max(1, (minutes / all) * 60) }));
}
