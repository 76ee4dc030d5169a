"use client";

import { useEffect, useRef } from "react";
import { focusNew } from "./use-item-keys";
import type { Item } from "./types";

/** What an undo brings back is there with the next reading, in milliseconds at the most. */
const SOON = 5_000;

/**
 * What an undo brings back is the chosen one, so that one sees what has come and goes on from there.
 * @returns to be called when something is going to be undone
 */
export function useBroughtBack(items: readonly Item[], choose: (id: string) => void): () => void {
  const waiting = useRef<{ before: ReadonlySet<string>; at: number } | null>(null);
  useEffect(() => {
    const { before, at } = waiting.current ?? {};
    if (!before) return;
    const back = items.find((item) => !before.has(item.id));
    if (!back && performance.now() - at! < SOON) return;
    waiting.current = null;
    if (!back) return;
    choose(back.id);
    focusNew(back.id);
  }, [items, choose]);
  return () => (waiting.current = { before: new Set(items.map((item) => item.id)), at: performance.now() });
}
