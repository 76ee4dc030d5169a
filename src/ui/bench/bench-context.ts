"use client";

import { createContext, useContext } from "react";
import type { Item } from "./use-items";

/** What can be done on the Bench; the functions never change, so that rows need not be drawn anew. */
export type BenchDeeds = {
  select: (id: string) => void;
  toggle: (id: string, focus?: DetailField) => void;
  change: (id: string, how: (item: Item) => Item) => void;
  edit: (id: string, fields: { heading?: string; context?: string }) => Promise<unknown>;
  remove: (id: string) => void;
  step: (id: string, by: 1 | -1) => void;
  fetchAgain: (resource: string) => void;
};
export type DetailField = "context" | "heading" | "tags";

export const BenchContext = createContext<{
  team: string;
  arranges: boolean;
  brings: boolean;
  deeds: BenchDeeds;
} | null>(null);
export const useBench = () => useContext(BenchContext)!;
