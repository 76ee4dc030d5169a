import type { QueryClient } from "@tanstack/react-query";
import { placeManyAfter } from "@/core/order/place";
import { sayFailure } from "../../../talk/say-failure";
import type { How } from "../use-selection";
import type { Asking, DetailField, Item, Landing, Section } from "../types";

/** The open collection as it is now, and how the screen is told of a change. */
export type State = {
  team: string;
  collection: string;
  items: Item[];
  sections: Section[];
  selected: string | null;
  marked: ReadonlySet<string>;
  change: (how: (items: Item[]) => Item[]) => void;
  renew: (placements: string[], resources: string[]) => Promise<void>;
  reload: () => void;
  select: (id: string | null, how?: How) => void;
  ask: (asking: Asking) => void;
  toggle: (id: string, focus?: DetailField) => void;
  /** Opens the context line of an item to be written where it stands. */
  write: (item: string) => void;
  written: (item: string) => void;
  /** Gives the focus to what has just come, unless somebody is at something else. */
  focusNew: (item: string) => void;
  announce: (words: string) => void;
  /** Goes to another page. */
  go: (path: string) => void;
};

export type Ground = ReturnType<typeof groundOf>;

/**
 * What every command stands on. A command acts on the newest state (`now.current`), shows what it does at once, and is sent
 * behind it; what is refused is read anew.
 */
export function groundOf(now: { readonly current: State }, client: QueryClient) {
  const find = (id: string) => now.current.items.find((item) => item.id === id);
  const change = (id: string, how: (item: Item) => Item) =>
    now.current.change((items) => items.map((item) => (item.id === id ? how(item) : item)));
  const headAgain = () => void client.invalidateQueries({ queryKey: ["collection", now.current.collection] });
  /** Reads again what was taken back. */
  const again = () => {
    now.current.reload();
    headAgain();
  };
  const failed = (error: unknown) => {
    sayFailure(error);
    now.current.reload();
  };

  /** The order keys for a landing, as the server will most likely give them. */
  const positionsAt = (landing: Landing, without: readonly string[], count: number) => {
    const others = now.current.items.filter(
      (item) => item.section === landing.section && !without.includes(item.id),
    );
    return placeManyAfter(others, landing.after, count).positions;
  };

  /** This item, or all that are chosen with it. */
  const along = (id: string): Item[] => {
    const { items, marked } = now.current;
    return items.filter((item) => (marked.has(id) ? marked.has(item.id) : item.id === id));
  };

  return { now, client, find, change, headAgain, again, failed, positionsAt, along };
}
