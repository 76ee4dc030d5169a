"use client";

import { startTransition, useEffect, useMemo, useState } from "react";
import { BLOCKS } from "./lay-out-later";
import type { Placed } from "./use-placed";

/** So far above and below the screen, in pixels, notes are there. */
const AROUND = 1_000;

/**
 * Of many marks those whose words are near the screen: what is far has no card until somebody comes there, so that a text
 * with hundreds of them opens and scrolls as any other.
 * @param placed all marks of the text, in its order
 * @param chosen the mark that is always among them: somebody is on the way there, or writes in its note
 * @param isMuch whether there is anything to be left out; else all of them are near
 */
export function useNear(placed: readonly Placed[], chosen: string | null, isMuch: boolean): Placed[] {
  const [near, setNear] = useState<ReadonlySet<Element>>(new Set());
  useEffect(() => {
    if (!isMuch) return;
    const seen = new Set<Element>();
    const watch = new IntersectionObserver(
      (changed) => {
        for (const { target, isIntersecting } of changed)
          if (isIntersecting) seen.add(target);
          else seen.delete(target);
        startTransition(() => setNear(new Set(seen)));
      },
      // What scrolls cuts off what is far, unless it is what is looked from.
      { root: document.querySelector("#main"), rootMargin: `${AROUND}px 0px` },
    );
    for (const block of new Set(placed.map(blockOf))) watch.observe(block);
    return () => watch.disconnect();
  }, [placed, isMuch]);
  return useMemo(
    () => placed.filter((one) => !isMuch || one.mark.id === chosen || near.has(blockOf(one))),
    [placed, chosen, isMuch, near],
  );
}

/** What a mark stands in that has a place also while it is not laid out. */
function blockOf({ range }: Placed): Element {
  const parent = range.startContainer.parentElement!;
  return parent.closest(BLOCKS) ?? parent;
}
