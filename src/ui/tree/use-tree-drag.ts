"use client";

import type { DragEndEvent, DragMoveEvent } from "@dnd-kit/core";
import { useState } from "react";
import { insideOf, type Beside, spotBeside, type TreeNode, type TreeSpot } from "@/core/list/tree-moves";
import { pointerOf, useDragSensors } from "../parts/dragging";

type Over = { id: string; where: Beside };
type Named = TreeNode & { title: string };

/** Dragging in the tree: over which row one is, and where what is dropped there goes. */
export function useTreeDrag(
  nodes: readonly Named[],
  move: (id: string, spot: TreeSpot, words: string) => void,
) {
  const [over, setOver] = useState<Over | null>(null);
  const sensors = useDragSensors();
  const look = (event: DragMoveEvent | DragEndEvent) =>
    overUnder(event, insideOf(nodes, String(event.active.id)));
  return {
    over,
    context: {
      sensors,
      onDragMove: (event: DragMoveEvent) => setOver(look(event)),
      onDragCancel: () => setOver(null),
      onDragEnd: (event: DragEndEvent) => {
        setOver(null);
        // Where the pointer is now: what was drawn last may be a move behind.
        const target = look(event);
        const node = target && nodes.find((one) => one.id === target.id);
        if (!node) return;
        const id = String(event.active.id);
        move(id, spotBeside(nodes, id, node, target.where), `Moved ${target.where} ${node.title}.`);
      },
    },
  };
}

/** The row under the pointer: its upper quarter means before it, its lower one behind it, the rest inside. */
function overUnder(event: DragMoveEvent | DragEndEvent, without: ReadonlySet<string>): Over | null {
  const { x, y } = pointerOf(event);
  const row = document.elementFromPoint(x, y)?.closest<HTMLElement>("[data-node]");
  const id = row?.dataset.node;
  if (!row || !id || without.has(id)) return null;
  const box = row.getBoundingClientRect();
  const share = (y - box.top) / box.height;
  return { id, where: share < 0.25 ? "before" : share > 0.75 ? "behind" : "in" };
}
