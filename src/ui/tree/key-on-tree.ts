import type { TreeStep } from "@/core/list/tree-moves";

/** What a key on a row of the tree asks for. */
export type TreeWish =
  | { do: "go"; to: number }
  | { do: "focus"; id: string }
  | { do: "toggle" | "open" | "rename" | "inside" | "remove" }
  | { do: "step"; how: TreeStep }
  | { do: "duplicate"; items: boolean }
  | { do: "put-away"; away: boolean };

type Pressed = Pick<KeyboardEvent, "key" | "altKey" | "shiftKey" | "ctrlKey" | "metaKey">;
type Row = {
  at: number;
  count: number;
  parents: boolean;
  open: boolean;
  parent: string | null;
  away: boolean;
};

const STEPS: Record<string, TreeStep> = {
  ArrowUp: "up",
  ArrowDown: "down",
  ArrowRight: "in",
  ArrowLeft: "out",
};

/**
 * What a key means on a row, by the tree view of the ARIA Authoring Practices Guide and letters of our own.
 * @param row where the row stands among those that are drawn, and what it is
 * @param arranges whether this person may change the tree
 * @returns null when the key is not the tree's
 */
export function keyOnTree(event: Pressed, row: Row, arranges: boolean): TreeWish | null {
  if (event.ctrlKey || event.metaKey) return null;
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
  const step = STEPS[key];
  if (event.altKey) return arranges && step ? { do: "step", how: step } : null;
  const { at, parents, open } = row;
  switch (key) {
    case "ArrowDown":
      return { do: "go", to: at + 1 };
    case "ArrowUp":
      return { do: "go", to: at - 1 };
    case "Home":
      return { do: "go", to: 0 };
    case "End":
      return { do: "go", to: row.count - 1 };
    case "ArrowRight":
      return parents && !open ? { do: "toggle" } : { do: "go", to: parents ? at + 1 : at };
    case "ArrowLeft":
      if (parents && open) return { do: "toggle" };
      return row.parent ? { do: "focus", id: row.parent } : { do: "go", to: at };
    case "Enter":
      return { do: "open" };
  }
  if (!arranges) return null;
  switch (key) {
    case "F2":
      return { do: "rename" };
    case "n":
      return { do: "inside" };
    case "d":
      return { do: "duplicate", items: !event.shiftKey };
    case "p":
      return { do: "put-away", away: !row.away };
    case "Delete":
    case "Backspace":
      return { do: "remove" };
  }
  return null;
}
