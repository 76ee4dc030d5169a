"use client";

import { useLayoutEffect, useRef, useState } from "react";

/**
 * The row of the tree the keys act on, and the focus that goes with it: a row that is moved on the page, by whoever's
 * hand, loses the focus to nothing and has it again in its new place.
 */
export function useTreeFocus() {
  const [current, setCurrent] = useState<string | null>(null);
  const [wanted, setWanted] = useState<string | null>(null);
  const held = useRef(false);
  const rowOf = (id: string) => document.querySelector<HTMLElement>(`[data-node="${id}"]`);
  // As soon as it is drawn. A dialog that closes gives the focus back to where it was before, so what it made is
  // focused after that.
  useLayoutEffect(() => {
    if (!wanted) return;
    const take = () => {
      const row = rowOf(wanted);
      if (!row || document.querySelector("[role=dialog]")) return;
      // Its name may be being written by now.
      if (!row.contains(document.activeElement)) row.focus();
      return row;
    };
    take();
    const timer = setTimeout(() => take() && setWanted(null));
    return () => clearTimeout(timer);
  });
  useLayoutEffect(() => {
    if (held.current && !wanted && current && document.activeElement === document.body)
      rowOf(current)?.focus();
  });
  return {
    current,
    setCurrent,
    /** Makes a row the one the keys act on, and brings the focus there. */
    focus: (id: string) => {
      setCurrent(id);
      setWanted(id);
    },
    /** To be spread on the tree. */
    holds: {
      onFocus: () => void (held.current = true),
      onBlur: (event: React.FocusEvent) => {
        if (event.relatedTarget) held.current = false;
      },
    },
  };
}
