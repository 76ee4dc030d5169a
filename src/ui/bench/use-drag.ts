"use client";

import {
  type DragEndEvent,
  type DragMoveEvent,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { useState } from "react";
import type { Landing } from "./making-list";
import type { Supplied } from "./supply-row";
import type { Item } from "./use-items";

type Deeds = {
  move: (id: string, landing: Landing) => void;
  place: (resource: Supplied, landing: Landing) => void;
};

/**
 * Dragging on the Bench: what is carried, and where it would land. The place is found from what lies under the
 * pointer, so nothing else has to move while one drags.
 */
export function useDrag(items: Item[], { move, place }: Deeds) {
  const [carried, setCarried] = useState<{ item?: Item; resource: Supplied } | null>(null);
  const [landing, setLanding] = useState<Landing | null>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
  );
  const end = (event: DragEndEvent | null) => {
    if (event && landing && carried) {
      if (carried.item) move(carried.item.id, landing);
      else place(carried.resource, landing);
    }
    setCarried(null);
    setLanding(null);
  };
  return {
    carried,
    landing,
    context: {
      sensors,
      onDragStart: ({ active }: { active: { data: { current?: { item?: Item; resource?: Supplied } } } }) => {
        const data = active.data.current;
        if (data?.item) setCarried({ item: data.item, resource: data.item.resource });
        else if (data?.resource) setCarried({ resource: data.resource });
      },
      onDragMove: (event: DragMoveEvent) => {
        const next = landingUnder(pointerOf(event), items);
        setLanding((old) => (old?.after === next?.after && old?.section === next?.section ? old : next));
      },
      onDragEnd: end,
      onDragCancel: () => end(null),
    },
  };
}

function pointerOf({ activatorEvent, delta }: DragMoveEvent): { x: number; y: number } {
  const start =
    "touches" in activatorEvent ? (activatorEvent as TouchEvent).touches[0]! : (activatorEvent as MouseEvent);
  return { x: start.clientX + delta.x, y: start.clientY + delta.y };
}

/** Behind the item whose lower half is under the pointer, before the one whose upper half is; at a section's start under its name. */
function landingUnder({ x, y }: { x: number; y: number }, items: Item[]): Landing | null {
  const under = document.elementFromPoint(x, y);
  if (!under?.closest("[data-making]")) return null;
  const row = under.closest<HTMLElement>("[data-item]");
  if (row) {
    const at = items.findIndex((item) => item.id === row.dataset.item);
    const item = items[at];
    if (!item) return null;
    const box = row.getBoundingClientRect();
    if (y > box.top + box.height / 2) return { section: item.section, after: item.id };
    const before = items[at - 1];
    return { section: item.section, after: before?.section === item.section ? before.id : null };
  }
  const section = under.closest<HTMLElement>("[data-section]");
  if (section) return { section: section.dataset.section!, after: null };
  const last = items.at(-1);
  return { section: last?.section ?? null, after: last?.id ?? null };
}
