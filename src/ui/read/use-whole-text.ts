"use client";

import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Answer } from "@/services/registry";
import { ask } from "../talk/call";

/** A text as a page is opened with it: of a long one only the beginning. */
export type GivenText = Answer<"resources.text">;
export type WholeText = GivenText & {
  /** All of it, when it has come and what stands on the page is the beginning: it is put behind that. */
  rest: string | null;
  /** To be called when that has been done. */
  onWhole: () => void;
};

/**
 * The text of a resource. Of a long one the beginning stands there at once, with the page; the rest is fetched by what
 * makes the page alive, so that nobody waits for a megabyte twice, and is put behind it.
 * @param waits whether something else on the page is looked at first
 */
export function useWholeText(resource: string, given: GivenText, waits: boolean): WholeText {
  const [first] = useState(given);
  const [stands, setStands] = useState<string | null>(null);
  const { data } = useQuery({
    queryKey: ["whole-text", resource, given.number, given.at],
    queryFn: () => ask("resources.text", { resource }),
    enabled: !given.whole && !waits,
    staleTime: Infinity,
    gcTime: 0,
    // While a newer one comes, nobody is thrown back to the beginning.
    placeholderData: (old) => old,
  });
  const onWhole = () => setStands(data?.html ?? null);
  const shared = { rest: null, onWhole };
  if (given.whole || !data) return { ...given, ...shared };
  // A newer one stands there at once: what is read may be far from its beginning.
  if (data.number !== first.number || data.at !== first.at) return { ...data, whole: true, ...shared };
  return { ...data, html: first.html, rest: data.html, whole: stands === data.html, onWhole };
}
