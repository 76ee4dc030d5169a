"use client";

import { useQuery } from "@tanstack/react-query";
import type { Answer } from "@/services/registry";
import { ask } from "../talk/call";

type Text = Answer<"resources.text">;
/** A text as a page is opened with it: of a long one only the beginning. */
export type GivenText = Text & { whole: boolean };

/**
 * The text of a resource. Of a long one the beginning stands there at once, with the page; the rest is fetched by what
 * makes the page alive, so that nobody waits for a megabyte twice.
 */
export function useWholeText(resource: string, given: GivenText): GivenText {
  const { data } = useQuery({
    queryKey: ["whole-text", resource, given.number, given.at],
    queryFn: () => ask("resources.text", { resource }),
    enabled: !given.whole,
    staleTime: Infinity,
    gcTime: 0,
    // While a newer one comes, nobody is thrown back to the beginning.
    placeholderData: (old) => old,
  });
  return given.whole || !data ? given : { ...data, whole: true };
}
