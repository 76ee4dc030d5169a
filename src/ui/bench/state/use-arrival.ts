"use client";

import { useSearchParams } from "next/navigation";
import { useEffect } from "react";
import type { Answer } from "@/services/registry";
import { focusItem } from "./use-item-keys";

type Ways = {
  talk: Answer<"comments.of-collection">;
  choose: (item: string) => void;
  /** Opens what is said about an item. */
  talkAt: (item: string) => void;
  /** Opens what is said about a section, or with the empty text about the collection. */
  talkOf: (section: string) => void;
};

/**
 * Whoever comes by the way to an item in its place (`inPlace`) finds it chosen and in sight, and by the way to something
 * that was said finds that open. The address then leads to the collection again, so that the same way can be taken once
 * more.
 */
export function useArrival({ talk, choose, talkAt, talkOf }: Ways): void {
  const params = useSearchParams();
  const said = talk.comments.find((one) => one.id === params.get("said"));
  const item = params.get("item") ?? said?.placement ?? null;
  useEffect(() => {
    if (!item && !said) return;
    if (item) {
      choose(item);
      if (said) talkAt(item);
      else focusItem(item);
    } else if (said) talkOf(said.section ?? "");
    window.history.replaceState(null, "", window.location.pathname);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once for each arrival
  }, [item, said?.id]);
}
