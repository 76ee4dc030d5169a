"use client";

import { useDraggable } from "@dnd-kit/core";
import type { MouseEvent as ReactMouseEvent, FocusEvent as ReactFocusEvent } from "react";
import { useBench } from "../state/bench-context";
import { NEWS_WORDS, useNewsOf } from "../news/news-context";
import type { Item } from "../state/types";

/** How an item stands in a view just now. */
export type ItemState = {
  item: Item;
  number: number;
  /** Chosen, maybe with others. */
  selected: boolean;
  /** The one the keys act on. */
  current: boolean;
  /** The keys act on it alone, so it shows what they do. */
  only: boolean;
  /** Whether the tab key gets to it. */
  reachable: boolean;
  opened: boolean;
  /** A press chooses it with the others. */
  choosing: boolean;
  /** Its context line is being written. */
  writing: boolean;
  cut: boolean;
  /** Picked up by key. */
  lifted: boolean;
};

/**
 * What an item needs in every view: it can be chosen by click, Shift and Ctrl/Cmd, opened by double click, dragged,
 * and reached by keyboard. Spread `frame` on the element that is the item.
 */
export function useItemFrame(
  { item, number, selected, current, reachable, opened, choosing, writing, cut, lifted }: ItemState,
  role: "row" | "gridcell" = "row",
) {
  const { arranges, commands } = useBench();
  const news = useNewsOf(item.id);
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: `item:${item.id}`,
    data: { item },
    disabled: !arranges || opened || writing,
  });
  const frame = {
    ref: setNodeRef,
    ...listeners,
    onMouseDown: (event: ReactMouseEvent) => {
      // A range of items is chosen, not one of letters.
      if (event.shiftKey) event.preventDefault();
      listeners?.onMouseDown?.(event);
    },
    "data-item": item.id,
    "data-dragging": isDragging || undefined,
    role,
    tabIndex: reachable ? 0 : -1,
    "aria-selected": selected,
    "data-news": news,
    "aria-description": news && `${NEWS_WORDS[news]} since you were here`,
    "aria-label": `${number}. ${item.context || item.heading || item.resource.title}`,
    onFocus: (event: ReactFocusEvent) =>
      event.target === event.currentTarget && commands.select(item.id, "keep"),
    onClick: (event: ReactMouseEvent<HTMLElement>) => {
      if ((event.target as HTMLElement).closest("a,button,input,textarea,select,[contenteditable]")) return;
      event.currentTarget.focus({ preventScroll: true });
      const toggles = choosing || event.ctrlKey || event.metaKey;
      commands.select(item.id, event.shiftKey ? "range" : toggles ? "toggle" : "only");
    },
    onDoubleClick: (event: ReactMouseEvent) => {
      if (!(event.target as HTMLElement).closest("a,button,input,textarea,[contenteditable]"))
        commands.toggle(item.id);
    },
  };
  const shade = [
    selected ? "bg-wash" : "hover:bg-sunk",
    current && "shadow-[-4px_0_0_var(--accent)]",
    isDragging ? "opacity-40" : cut && "opacity-60",
    lifted && "outline-2 outline-dashed outline-accent",
  ]
    .filter(Boolean)
    .join(" ");
  return { frame, shade };
}
