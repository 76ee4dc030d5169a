"use client";

import { useRef } from "react";
import type { Selection } from "./use-selection";

/**
 * Choosing by a sweep of the mouse over the numbers of the items: from the one where it began to the one it is at.
 * Spread what it gives on an element around the list.
 */
export function useSweep(selection: Selection) {
  const from = useRef<string | null>(null);
  const begun = useRef(false);
  const itemAt = (event: React.PointerEvent) =>
    document.elementFromPoint(event.clientX, event.clientY)?.closest<HTMLElement>("[data-item]")?.dataset
      .item;
  return {
    onMouseDownCapture: (event: React.MouseEvent) => {
      // What begins at a number is no dragging.
      if ((event.target as HTMLElement).closest("[data-number]")) event.stopPropagation();
    },
    onPointerDown: (event: React.PointerEvent) => {
      from.current = null;
      begun.current = false;
      if (event.button !== 0 || event.pointerType === "touch") return;
      if (!(event.target as HTMLElement).closest("[data-number]")) return;
      from.current = itemAt(event) ?? null;
    },
    onPointerMove: (event: React.PointerEvent) => {
      if (!from.current || event.buttons !== 1) return;
      const to = itemAt(event);
      if (!to || (to === from.current && !begun.current)) return;
      if (!begun.current) selection.choose(from.current, "only");
      begun.current = true;
      selection.choose(to, "range");
    },
    onPointerUp: () => {
      from.current = null;
    },
  };
}
