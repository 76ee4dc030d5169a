"use client";

import { useSearchParams } from "next/navigation";
import { useEffect } from "react";
import { focusItem } from "./use-item-keys";

/**
 * Whoever comes by the way to an item in its place (`inPlace`) finds it chosen and in sight. The address then leads to the
 * collection again, so that the same way can be taken once more.
 */
export function useArrival(choose: (item: string) => void): void {
  const item = useSearchParams().get("item");
  useEffect(() => {
    if (!item) return;
    choose(item);
    focusItem(item);
    window.history.replaceState(null, "", window.location.pathname);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once for each arrival
  }, [item]);
}
