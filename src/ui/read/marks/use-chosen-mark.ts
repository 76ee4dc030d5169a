"use client";

import { useEffect, useState } from "react";
import { useHash } from "../use-hash";
import type { Mark } from "./use-marks";

/**
 * The mark that is chosen. An address that ends with `#mark-` and its id leads to it: there, once the text is on the page.
 */
export function useChosenMark(marks: readonly Mark[]): [string | null, (id: string | null) => void] {
  const [chosen, setChosen] = useState<string | null>(null);
  const [asked, setAsked] = useState<string | null>(null);
  useHash((hash) => setAsked(/^#mark-([\da-f-]{36})$/.exec(hash)?.[1] ?? null));
  const found = asked !== null && marks.some((mark) => mark.id === asked);
  useEffect(() => {
    if (!found || !asked) return;
    const frame = requestAnimationFrame(() => {
      setChosen(asked);
      const cards = [...document.querySelectorAll<HTMLElement>(`[data-mark="${asked}"]`)];
      cards.find((card) => card.getClientRects().length > 0)?.scrollIntoView({ block: "center" });
      setAsked(null);
    });
    return () => cancelAnimationFrame(frame);
  }, [found, asked]);
  return [chosen, setChosen];
}
