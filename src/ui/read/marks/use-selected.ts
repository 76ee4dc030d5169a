"use client";

import { useEffect, useState } from "react";
import type { CopyMap } from "./copy-map";
import { type Selected, selectedNow } from "./selected-now";

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
