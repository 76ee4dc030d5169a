"use client";

import type { DragEndEvent, DragMoveEvent } from "@dnd-kit/core";
import { useRef, useState } from "react";
import { pointerOf, useDragSensors } from "../../parts/dragging";
import type { Item, Landing, Supplied } from "./types";

/** Another collection under the pointer, by a name of it that can be dropped on. */
type Elsewhere = { collection: string; title: string };
type Carried = { items: Item[]; resources: Supplied[] };
type Commands = {
  /** What goes along with this one: all that are chosen, if it is among them. */
  along: (id: string) => Item[];
  move: (ids: string[], landing: Landing) => void;
  send: (ids: string[], to: Elsewhere) => void;
  place: (resources: Supplied[], landing: Landing) => void;
  sorted: boolean;
};

/** How near to the edge of a list it begins to scroll, and by how much at the most, in pixels. */
const EDGE = 56;
const FASTEST = 18;

/**
 * Dragging on the Bench: what is carried, and where it would land. The place is found from what lies under the
 * pointer, so nothing else has to move while one drags; near an edge the list scrolls.
 */
export function useDrag(items: Item[], commands: Commands) {
  const [carried, setCarried] = useState<Carried | null>(null);
  const [landing, setLanding] = useState<Landing | null>(null);
  const [elsewhere, setElsewhere] = useState<Elsewhere | null>(null);
  const scrolling = useRef<{ frame: number; x: number; y: number } | null>(null);
  const sensors = useDragSensors();
  const look = (x: number, y: number) => {
    const over = elsewhereUnder(x, y);
    const next = over || (commands.sorted && carried?.items.length) ? null : landingUnder(x, y, items);
    setElsewhere((old) => (old?.collection === over?.collection ? old : over));
    setLanding((old) => (old?.after === next?.after && old?.section === next?.section ? old : next));
  };
  const stopScrolling = () => {
    if (scrolling.current) cancelAnimationFrame(scrolling.current.frame);
    scrolling.current = null;
  };
  const scrollOn = () => {
    const state = scrolling.current;
    if (!state) return;
    if (scrollNear(state.x, state.y)) look(state.x, state.y);
    state.frame = requestAnimationFrame(scrollOn);
  };
  const end = (event: DragEndEvent | null) => {
    stopScrolling();
    if (event && carried) {
      const ids = carried.items.map((item) => item.id);
      if (elsewhere && ids.length) commands.send(ids, elsewhere);
      else if (landing && ids.length) commands.move(ids, landing);
      else if (landing) commands.place(carried.resources, landing);
    }
    setCarried(null);
    setLanding(null);
    setElsewhere(null);
  };
  return {
    carried,
    landing,
    elsewhere,
    context: {
      sensors,
      autoScroll: false,
      onDragStart: ({
        active,
      }: {
        active: { data: { current?: { item?: Item; resources?: Supplied[] } } };
      }) => {
        const data = active.data.current;
        if (data?.item) setCarried({ items: commands.along(data.item.id), resources: [data.item.resource] });
        else if (data?.resources) setCarried({ items: [], resources: data.resources });
      },
      onDragMove: (event: DragMoveEvent) => {
        const { x, y } = pointerOf(event);
        look(x, y);
        if (scrolling.current) Object.assign(scrolling.current, { x, y });
        else {
          scrolling.current = { x, y, frame: 0 };
          scrolling.current.frame = requestAnimationFrame(scrollOn);
        }
      },
      onDragEnd: end,
      onDragCancel: () => end(null),
    },
  };
}

/** Scrolls the list under the pointer when that is near its edge. @returns whether it did */
function scrollNear(x: number, y: number): boolean {
  const under = document.elementFromPoint(x, y);
  const speed = (from: number, to: number, at: number) =>
    at < from + EDGE
      ? -FASTEST * Math.min(1, (from + EDGE - at) / EDGE)
      : at > to - EDGE
        ? FASTEST * Math.min(1, (at - to + EDGE) / EDGE)
        : 0;
  let moved = false;
  for (const list of [under?.closest("[data-scroller]"), under?.closest("[data-making]")]) {
    if (!list) continue;
    const box = list.getBoundingClientRect();
    const before = [list.scrollTop, list.scrollLeft];
    list.scrollTop += speed(box.top, box.bottom, y);
    if ((list as HTMLElement).dataset.flow === "board") list.scrollLeft += speed(box.left, box.right, x);
    moved ||= before[0] !== list.scrollTop || before[1] !== list.scrollLeft;
  }
  return moved;
}

function elsewhereUnder(x: number, y: number): Elsewhere | null {
  const target = document.elementFromPoint(x, y)?.closest<HTMLElement>("[data-drop]");
  return target ? { collection: target.dataset.drop!, title: target.dataset.dropTitle ?? "" } : null;
}

/** Behind the item whose farther half is under the pointer, before the one whose nearer half is; at a section's start under its name. */
function landingUnder(x: number, y: number, items: Item[]): Landing | null {
  const under = document.elementFromPoint(x, y);
  const making = under?.closest<HTMLElement>("[data-making]");
  if (!making) return null;
  const row = under!.closest<HTMLElement>("[data-item]");
  if (row) {
    const at = items.findIndex((item) => item.id === row.dataset.item);
    const item = items[at];
    if (!item) return null;
    const box = row.getBoundingClientRect();
    const behind =
      making.dataset.flow === "across" ? x > box.left + box.width / 2 : y > box.top + box.height / 2;
    if (behind) return { section: item.section, after: item.id };
    const before = items[at - 1];
    return { section: item.section, after: before?.section === item.section ? before.id : null };
  }
  const section = under!.closest<HTMLElement>("[data-section]");
  if (section) return { section: section.dataset.section!, after: null };
  const column = under!.closest<HTMLElement>("[data-column]");
  if (column) {
    const id = column.dataset.column || null;
    return { section: id, after: items.filter((item) => item.section === id).at(-1)?.id ?? null };
  }
  const last = items.at(-1);
  return { section: last?.section ?? null, after: last?.id ?? null };
}
