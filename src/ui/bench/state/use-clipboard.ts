"use client";

import { useEffect, useRef, useState } from "react";
import { type Clip, clipHtml, clipText } from "@/core/formats/clipboard";
import { isTyping } from "../../shell/commands";
import type { Item } from "./types";

/**
 * Copy and cut of the chosen items: rich text and links for other programs, and for another collection of Hobbin the
 * items themselves. What is cut goes only when it is put somewhere.
 */
export function useClipboard(team: string, chosen: readonly Item[], announce: (words: string) => void) {
  const [cut, setCut] = useState<ReadonlySet<string>>(new Set());
  const now = useRef(chosen);
  useEffect(() => {
    now.current = chosen;
  });
  useEffect(() => {
    const take = (event: ClipboardEvent) => {
      const items = now.current;
      const selecting = window.getSelection()?.isCollapsed === false;
      if (!items.length || isTyping(event.target) || selecting || document.querySelector("[role=dialog]"))
        return;
      const clip: Clip = { team, placements: items.map((item) => item.id), cut: event.type === "cut" };
      event.clipboardData!.setData("text/html", clipHtml(items, clip));
      event.clipboardData!.setData("text/plain", clipText(items));
      event.preventDefault();
      setCut(clip.cut ? new Set(clip.placements) : new Set());
      announce(`${items.length} ${clip.cut ? "cut; they go when you put them somewhere" : "copied"}.`);
    };
    document.addEventListener("copy", take);
    document.addEventListener("cut", take);
    return () => {
      document.removeEventListener("copy", take);
      document.removeEventListener("cut", take);
    };
  }, [team, announce]);
  return { cut, setCut };
}
