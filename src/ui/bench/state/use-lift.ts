"use client";

import { useState } from "react";
import { gapOf, gapsOf } from "@/core/list/gaps";
import type { Item, Landing, Section } from "./types";

type Lifted = { ids: string[]; at: number };

/**
 * Moving by keyboard: L picks up what is chosen, the arrows say where it would land, L, space or Enter drops it,
 * Escape leaves it where it was. Every step is announced.
 */
export function useLift(
  items: readonly Item[],
  sections: readonly Section[],
  { move, announce }: { move: (ids: string[], landing: Landing) => void; announce: (words: string) => void },
) {
  const [lifted, setLifted] = useState<Lifted | null>(null);
  const gaps = lifted
    ? gapsOf(
        items,
        sections.map((one) => one.id),
        lifted.ids,
      )
    : [];
  const landing: Landing | null = lifted ? (gaps[lifted.at] ?? null) : null;

  const sayPlace = ({ section, after }: Landing) => {
    const home = sections.find((one) => one.id === section)?.title ?? "before the first section";
    const before = items.find((item) => item.id === after);
    const where = before ? `after ${before.heading || before.resource.title}` : "first";
    announce(`${where}, in ${home}`);
  };
  const lift = (ids: string[]) => {
    const places = gapsOf(
      items,
      sections.map((one) => one.id),
      ids,
    );
    setLifted({ ids, at: gapOf(items, places, ids) });
    announce(
      `Picked up ${ids.length === 1 ? "one item" : `${ids.length} items`}. Arrows choose the place, L drops, Escape puts back.`,
    );
  };
  /** @returns whether the key was for what is picked up */
  const onKey = (key: string): boolean => {
    if (!lifted) return false;
    const go = (to: number) => {
      const at = Math.max(0, Math.min(to, gaps.length - 1));
      setLifted({ ...lifted, at });
      sayPlace(gaps[at]!);
    };
    if (key === "ArrowDown" || key === "ArrowRight") go(lifted.at + 1);
    else if (key === "ArrowUp" || key === "ArrowLeft") go(lifted.at - 1);
    else if (key === "Home") go(0);
    else if (key === "End") go(gaps.length - 1);
    else if (key === " " || key === "Enter" || key.toLowerCase() === "l") {
      setLifted(null);
      if (landing) move(lifted.ids, landing);
      announce("Dropped.");
    } else if (key === "Escape" || key === "Tab") {
      setLifted(null);
      announce("Left where it was.");
      return key === "Escape";
    } else return true;
    return true;
  };
  return { lifted: lifted?.ids ?? null, landing, lift, onKey };
}
