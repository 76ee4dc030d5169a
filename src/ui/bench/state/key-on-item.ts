import type { ViewSetting } from "@/core/list/view-setting";
import type { Asking, DetailField } from "./types";
import type { How } from "./use-selection";

/** What a key on an item asks for. */
export type ItemWish =
  /** Go to the item at a place of the list, which may lie beyond its ends. */
  | { do: "go"; to: number; how: How }
  /** Go up or down by a line, which is several cards wide where they stand beside each other. */
  | { do: "line"; step: 1 | -1; how: How }
  | { do: "step"; by: 1 | -1 }
  | { do: "edit"; field: DetailField }
  | { do: "ask"; what: Asking["what"] }
  | { do: "cell" | "all" | "only" | "mark" | "invert" | "toggle" | "lift" | "original" | "remove" }
  /** The list is sorted by something else, so nothing can be moved. */
  | { do: "say-sorted" };

type Pressed = Pick<KeyboardEvent, "key" | "altKey" | "shiftKey" | "ctrlKey" | "metaKey">;
type Place = {
  /** The sections of all items, in their order. */
  sections: readonly (string | null)[];
  at: number;
  view: ViewSetting["view"];
  sorted: boolean;
  /** Whether a command would act on several. */
  several: boolean;
  arranges: boolean;
  brings: boolean;
};

/** Steps of a page up or down. */
const PAGE = 10;

/**
 * What a key means on an item of the making side: the list's own keys as the grid of the ARIA Authoring Practices Guide
 * has them, and letters of our own.
 * @returns null when the key is not the item's
 */
export function keyOnItem(event: Pressed, on: Place): ItemWish | null {
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
  const ctrl = event.ctrlKey || event.metaKey;
  if (event.altKey) return ctrl ? null : withAlt(key, on);
  const how: How = event.shiftKey ? "range" : ctrl ? "keep" : "only";
  return (
    goes(key, on, how) ?? (ctrl ? (key === "a" ? { do: "all" } : null) : letter(key, event.shiftKey, on))
  );
}

function withAlt(key: string, { arranges, sorted }: Place): ItemWish | null {
  if (!arranges || (key !== "ArrowUp" && key !== "ArrowDown")) return null;
  return sorted ? { do: "say-sorted" } : { do: "step", by: key === "ArrowUp" ? -1 : 1 };
}

function goes(key: string, { sections, at, view }: Place, how: How): ItemWish | null {
  const go = (to: number): ItemWish => ({ do: "go", to, how });
  switch (key) {
    case "ArrowDown":
      return { do: "line", step: 1, how };
    case "ArrowUp":
      return { do: "line", step: -1, how };
    case "Home":
      return go(0);
    case "End":
      return go(sections.length - 1);
    case "PageDown":
      return go(at + PAGE);
    case "PageUp":
      return go(at - PAGE);
    case "ArrowRight":
    case "ArrowLeft": {
      const step = key === "ArrowRight" ? 1 : -1;
      if (view === "cards") return go(at + step);
      if (view === "board") return go(beside(sections, at, step));
      return view === "table" && step > 0 ? { do: "cell" } : null;
    }
  }
  return null;
}

function letter(key: string, shift: boolean, { sorted, several, arranges, brings }: Place): ItemWish | null {
  switch (key) {
    case "Escape":
      return { do: "only" };
    case " ":
      return { do: "mark" };
    case "i":
      return { do: "invert" };
    case "Enter":
      return { do: "toggle" };
    case "o":
      return { do: "original" };
    case "r":
      return { do: "edit", field: "talk" };
    case "t":
      if (!brings) return null;
      return several ? { do: "ask", what: "tag" } : { do: "edit", field: "tags" };
    case "k":
      return brings ? { do: "ask", what: "kind" } : null;
  }
  if (!arranges) return null;
  switch (key) {
    case "l":
      return { do: sorted ? "say-sorted" : "lift" };
    case "c":
      return { do: "edit", field: "context" };
    case "h":
      return { do: "edit", field: "heading" };
    case "m":
      return { do: "ask", what: shift ? "copy" : "move" };
    case "Delete":
    case "Backspace":
      return { do: "remove" };
  }
  return null;
}

/** The item at the same height of the column beside, or the last one there; where there is no column, the same. */
function beside(sections: readonly (string | null)[], at: number, step: number): number {
  const columns = [...new Set(sections)];
  const here = sections[at]!;
  const there = columns[columns.indexOf(here) + step];
  if (there === undefined) return at;
  const height = sections.slice(0, at).filter((one) => one === here).length;
  const column = [...sections.keys()].filter((i) => sections[i] === there);
  return column[Math.min(height, column.length - 1)]!;
}
