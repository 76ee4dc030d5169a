"use client";

import type { Answer } from "@/services/registry";
import type { BenchCommands } from "./bench-context";
import type { useLift } from "./use-lift";
import { keyOnItem } from "./key-on-item";
import type { How, Selection } from "./use-selection";
import { isTyping } from "../../shell/commands";
import { openOriginals } from "../../talk/originals";
import { goThroughCells } from "../../parts/go-through-cells";
import type { DetailField, Item } from "./types";

type Around = {
  items: Item[];
  selection: Selection;
  commands: BenchCommands;
  lift: ReturnType<typeof useLift>;
  arranges: boolean;
  brings: boolean;
  sorted: boolean;
  view: Answer<"collections.read">["setting"]["view"];
  opened: { id: string } | null;
  close: () => void;
  toggle: (id: string, field?: DetailField) => void;
  announce: (words: string) => void;
};

let asked = 0;

/**
 * Focuses an item: at once when it is drawn, so that keys that follow each other quickly each find it there, and again
 * once a row that only now comes into being is there. Who goes elsewhere meanwhile is not called back.
 * @param column of a table: the cell to focus instead of the row, by its place in it
 */
export function focusItem(id: string, column?: number): void {
  const mine = ++asked;
  const from = document.activeElement;
  let frames = 0;
  const look = () => {
    const row = document.querySelector<HTMLElement>(`[data-item="${id}"]`);
    const goal = column === undefined ? row : row?.querySelectorAll<HTMLElement>("[data-cell]")[column];
    const active = document.activeElement;
    const untouched = active === from || active === document.body || active === goal;
    if (mine !== asked || (frames > 0 && (!untouched || isTyping(active)))) return;
    if (goal && active !== goal) goal.focus({ preventScroll: column === undefined });
    if (frames++ < (row ? 2 : 10)) requestAnimationFrame(look);
  };
  look();
}

/**
 * Focuses an item that has just come: with the next key somebody who is among the items, or nowhere, means this one. Who is
 * in a field or on the other side stays there.
 */
export function focusNew(id: string): void {
  const active = document.activeElement;
  if (!active || active === document.body || active.matches("[data-item]")) focusItem(id);
}

/** The keys on an item of the making side. Letters act on the item, or on all that are chosen with it. */
export function useItemKeys(around: Around) {
  return (event: React.KeyboardEvent) => {
    const { items, selection, commands, lift, arranges, brings, sorted, view, opened } = around;
    const target = event.target as HTMLElement;
    if (event.key === "Escape" && opened && !lift.lifted) {
      around.close();
      return focusItem(opened.id);
    }
    const row = target.closest<HTMLElement>("[data-item]");
    const cell = target.dataset.cell !== undefined ? target : null;
    if (!row || (target !== row && !cell)) return;
    const at = items.findIndex((one) => one.id === row.dataset.item);
    const item = items[at];
    if (!item) return;
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    const done = () => event.preventDefault();
    if (lift.lifted) {
      if (!lift.onKey(event.key)) return;
      focusItem(item.id);
      return done();
    }
    if (cell && (key === "ArrowDown" || key === "ArrowUp")) {
      // By the order of the items, not by what is drawn: after a leap the next row may only now come into being.
      const next = items[at + (key === "ArrowDown" ? 1 : -1)];
      if (next) {
        selection.choose(next.id, "keep");
        focusItem(next.id, [...row.querySelectorAll("[data-cell]")].indexOf(cell));
      }
      return done();
    }
    if (cell) return goThroughCells(event.nativeEvent) ? done() : undefined;
    const chosen = selection.marked.has(item.id) ? selection.chosen.map((one) => one.id) : [item.id];
    const wish = keyOnItem(event, {
      sections: items.map((one) => one.section),
      at,
      view,
      sorted,
      several: chosen.length > 1,
      arranges,
      brings,
    });
    if (!wish) return;
    const go = (to: number, how: How) => {
      const next = items[Math.max(0, Math.min(to, items.length - 1))];
      if (!next) return;
      selection.choose(next.id, how);
      focusItem(next.id);
    };
    switch (wish.do) {
      case "go":
        go(wish.to, wish.how);
        break;
      case "line":
        go(nextIn(view, items, at, wish.step, row), wish.how);
        break;
      case "step":
        commands.step(item.id, wish.by);
        focusItem(item.id);
        break;
      case "say-sorted":
        around.announce("Sorted. Press 0 to go back to its own order.");
        break;
      case "cell":
        row.querySelector<HTMLElement>("[data-cell]")?.focus();
        break;
      case "all":
        selection.all();
        break;
      case "invert":
        selection.invert();
        break;
      case "only":
        selection.choose(item.id);
        break;
      case "mark":
        selection.choose(item.id, "toggle");
        break;
      case "toggle":
        around.toggle(item.id);
        break;
      case "original":
        openOriginals([item.resource]);
        break;
      case "edit":
        edit(around, item, wish.field, row);
        break;
      case "ask":
        commands.ask(wish.what, item.id);
        break;
      case "lift":
        lift.lift(chosen);
        break;
      case "remove": {
        commands.remove(item.id);
        const next = items.slice(at).find((one) => !chosen.includes(one.id)) ?? items[at - 1];
        if (next) focusItem(next.id);
      }
    }
    done();
  };
}

/** In the table a cell is edited in place; elsewhere the context line is, and for the others the details open at their field. */
function edit({ view, commands, toggle }: Around, item: Item, field: DetailField, row: HTMLElement) {
  const cell =
    view === "table"
      ? row.querySelector<HTMLElement>(`[data-cell="${field === "heading" ? "title" : field}"]`)
      : null;
  if (!cell) return field === "context" ? commands.write(item.id) : toggle(item.id, field);
  cell.focus();
  cell.dispatchEvent(new KeyboardEvent("keydown", { key: "F2", bubbles: true }));
}

/** One line up or down: of cards the one above or below, else the next. */
function nextIn(view: string, items: Item[], at: number, step: number, row: HTMLElement): number {
  if (view !== "cards") return at + step;
  const lines = [...row.closest("[role=grid]")!.querySelectorAll<HTMLElement>("[role=row]")]
    .map((line) => [...line.querySelectorAll<HTMLElement>("[data-item]")])
    .filter((line) => line.length > 0)
    .sort((a, b) => a[0]!.getBoundingClientRect().top - b[0]!.getBoundingClientRect().top);
  const here = lines.findIndex((line) => line.includes(row));
  const there = lines[here + step];
  if (!there) return at;
  const next = there[Math.min(lines[here]!.indexOf(row), there.length - 1)]!;
  return items.findIndex((item) => item.id === next.dataset.item);
}
