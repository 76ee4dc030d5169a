"use client";

import { createContext, useContext } from "react";
import type { Role } from "@/core/policy/abilities";
import type { Kind } from "@/core/page/facts";
import type { Asking, DetailField, Item, Mending } from "./types";
import type { How } from "./use-selection";

/** What can be done on the Bench; the functions never change, so that rows need not be drawn anew. */
export type BenchCommands = {
  select: (id: string | null, how?: How) => void;
  toggle: (id: string, focus?: DetailField) => void;
  change: (id: string, how: (item: Item) => Item) => void;
  /** Writes the heading or the context line of an item; `base` is what it began from. */
  edit: (id: string, field: "heading" | "context", text: string, base: string[]) => Promise<unknown>;
  /** Opens the context line of an item to be written where it stands. */
  write: (id: string) => void;
  /** Goes on to the line of the next item; behind the last one it is over. */
  writeNext: (id: string) => void;
  /** Ends the writing of this line; with `back` the item has the focus. */
  stopWriting: (id: string, back?: boolean) => void;
  /** Writes a text of the resource itself, which is the same wherever it stands; authors with `;` between them. */
  mend: (
    item: Item,
    field: Mending,
    text: string,
    base: string[],
  ) => Promise<Readonly<Record<string, string>> | void>;
  /** Gives an item exactly these tags. */
  retag: (item: Item, tags: string[]) => Promise<unknown>;
  /** Takes out this item, or all that are chosen with it. */
  remove: (id: string) => void;
  /** Asks what is needed to do it with the item, or with all that are chosen with it. */
  ask: (what: Asking["what"], id: string) => void;
  step: (id: string, by: 1 | -1) => void;
  fetchAgain: (resource: string) => void;
  setKind: (ids: readonly string[], kind: Kind) => void;
  tag: (ids: readonly string[], add: string[], remove: string[]) => Promise<unknown>;
  /** Keeps the words of a text between the items that had none; empty ones are not kept. */
  keepText: (item: Item, text: string, base: string[]) => Promise<unknown>;
  /** Takes away a text between the items that got no words. */
  dropText: (id: string) => void;
  /** Whether a note stands as an item or as text between the items. */
  setLook: (id: string, look: Item["look"]) => void;
  /** Whether readers see it. */
  setForReaders: (id: string, forReaders: boolean) => void;
  /** Whether readers are given the reading copy beside the original. */
  giveCopy: (id: string, givesCopy: boolean) => void;
  /** Whether the public collection it leads to is shown here as it stands there. */
  showTheirs: (id: string, shownLive: boolean) => void;
  /** Asks somebody to see to it, or nobody any more. */
  askOf: (id: string, asked: { of: string | null; name: string | null; until: string | null }) => void;
  /** Says that oneself has seen to it. */
  seenTo: (id: string) => void;
};
export const BenchContext = createContext<{
  team: string;
  collection: string;
  arranges: boolean;
  brings: boolean;
  /** Whether one was let into it alone, and is not in its team. */
  guest?: boolean;
  /** Under which path readers see the collection; null: they do not. */
  readers: string | null;
  /** Whether the items are things of the catalogue, which stand in no order here. */
  loose?: boolean;
  /** Who is here, and as what. Where nothing is said there is none. */
  me?: { id: string; name: string };
  role?: Role;
  /** Opens what is said of the collection, or of one of its sections. */
  openTalk?: (section?: string) => void;
  commands: BenchCommands;
} | null>(null);
/** What stands around a part of the Bench: which collection, what may be done, and the commands. */
export const useBench = () => useContext(BenchContext)!;
