"use client";

import { useCallback, useMemo, useRef, useState } from "react";
import { isLike, type Likeness, rangeOf } from "@/core/list/selection";
import type { Item } from "./types";

/** How a choice goes with what is chosen already: alone, added or taken away, or all up to it. */
export type How = "only" | "toggle" | "range" | "keep";

/**
 * What is chosen of a list: one item the keys act on, and all those a command over many takes. A range starts at the
 * item that was chosen last by itself.
 */
export function useSelection(items: readonly Item[]) {
  const [current, setCurrent] = useState<string | null>(null);
  const [marked, setMarked] = useState<ReadonlySet<string>>(new Set());
  const anchor = useRef<string | null>(null);
  const now = useRef({ items, marked, current });
  // eslint-disable-next-line react-hooks/refs -- read by the handlers below only, which never change themselves
  now.current = { items, marked, current };
  const ids = () => now.current.items.map((item) => item.id);

  const choose = useCallback((id: string | null, how: How = "only") => {
    // What had the focus without being chosen is where a range begins.
    if (how === "range") anchor.current ??= now.current.current;
    setCurrent(id);
    if (how === "keep") return;
    if (!id) return setMarked(new Set());
    if (how === "range") return setMarked(new Set(rangeOf(ids(), anchor.current, id)));
    anchor.current = id;
    if (how === "only") return setMarked(new Set([id]));
    const next = new Set(now.current.marked);
    if (!next.delete(id)) next.add(id);
    setMarked(next);
  }, []);
  const all = useCallback(() => setMarked(new Set(ids())), []);
  const invert = useCallback(() => setMarked(new Set(ids().filter((id) => !now.current.marked.has(id)))), []);
  const like = useCallback((by: Likeness) => {
    const models = now.current.items.filter((item) => now.current.marked.has(item.id));
    const like = now.current.items.filter((item) =>
      isLike(
        item.resource,
        models.map((model) => model.resource),
        by,
      ),
    );
    setMarked(new Set([...now.current.marked, ...like.map((item) => item.id)]));
  }, []);
  // Whoever is gone is chosen no more.
  const chosen = useMemo(() => items.filter((item) => marked.has(item.id)), [items, marked]);
  return { current, marked, chosen, choose, all, invert, like };
}
export type Selection = ReturnType<typeof useSelection>;
