"use client";

import { useEffect, useState } from "react";
import { snapped } from "@/core/marks/selectors";
import type { CopyMap } from "./copy-map";

export type Selected = { start: number; end: number };

/** The words of the copy that are selected, wherever the selection began; null without any. */
export function useSelected(map: CopyMap | null): [Selected | null, () => void] {
  const [selected, setSelected] = useState<Selected | null>(null);
  useEffect(() => {
    if (!map) return;
    let frame = 0;
    const look = () => {
      cancelAnimationFrame(frame);
      frame = requestAnimationFrame(() => {
        // Who writes a note has a selection in its field.
        if (document.activeElement?.matches("textarea, input")) return;
        setSelected(selectedNow(map));
      });
    };
    document.addEventListener("selectionchange", look);
    return () => {
      cancelAnimationFrame(frame);
      document.removeEventListener("selectionchange", look);
    };
  }, [map]);
  return [
    selected,
    () => {
      document.getSelection()?.removeAllRanges();
      setSelected(null);
    },
  ];
}

/** What is selected at this moment; a key may come before the screen has heard of the one before it. */
export function selectedNow(map: CopyMap): Selected | null {
  const selection = document.getSelection();
  const range = selection?.rangeCount && !selection.isCollapsed ? selection.getRangeAt(0) : null;
  return range && placesOf(range, map);
}

/** What of a selection lies in the copy. */
function placesOf(range: Range, map: CopyMap): Selected | null {
  if (!range.intersectsNode(map.root)) return null;
  const whole = document.createRange();
  whole.selectNodeContents(map.root);
  const start =
    range.compareBoundaryPoints(Range.START_TO_START, whole) < 0
      ? 0
      : map.placeOf(range.startContainer, range.startOffset);
  const end =
    range.compareBoundaryPoints(Range.END_TO_END, whole) > 0
      ? map.text.length
      : map.placeOf(range.endContainer, range.endOffset);
  return start === null || end === null ? null : snapped(map.text, start, end);
}
