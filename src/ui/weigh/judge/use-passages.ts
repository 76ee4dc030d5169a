"use client";

import { useQuery } from "@tanstack/react-query";
import { ask } from "../../talk/call";

const NONE: readonly string[] = [];

/**
 * What is marked in the text of a resource, as far as one sees it.
 * @param wanted nobody is asked before it is
 */
export function usePassages(resource: string, wanted: boolean): readonly string[] {
  const { data } = useQuery({
    queryKey: ["passages", resource],
    queryFn: async () => {
      const { marks } = await ask("marks.of-resource", { resource });
      return [...new Set(marks.map(({ quote }) => quote).filter(Boolean))];
    },
    enabled: wanted,
  });
  return data ?? NONE;
}
