"use client";

import { type RefObject, useCallback, useEffect, useLayoutEffect } from "react";
import { layOutNotes } from "@/core/marks/lay-out-notes";
import type { Placed } from "./use-placed";

/** Between two notes, in pixels. */
const GAP = 8;

/**
 * Keeps notes beside their words, as far as they leave one another room.
 * @param copy the text
 * @param margin what the notes stand in; each has the id of its mark as `data-note`
 * @param beside the marks whose notes are there, in the order of the text
 * @param chosen the mark whose note stands beside its words whatever the others need
 */
export function useNotesBeside(
  copy: RefObject<HTMLElement | null>,
  margin: RefObject<HTMLElement | null>,
  beside: readonly Placed[],
  chosen: string | null,
): void {
  const layOut = useCallback(() => {
    if (!margin.current || !copy.current) return;
    const top = copy.current.getBoundingClientRect().top;
    const there = new Map(notesIn(margin.current).map((one) => [one.dataset.note, one]));
    const cards = beside.map(({ mark }) => there.get(mark.id));
    const notes = beside.map(({ range }, i) => ({
      top: range.getBoundingClientRect().top - top,
      height: cards[i]?.offsetHeight ?? 0,
    }));
    const at = beside.findIndex(({ mark }) => mark.id === chosen);
    layOutNotes(notes, GAP, at).forEach((y, i) => cards[i]?.style.setProperty("top", `${Math.round(y)}px`));
  }, [copy, margin, beside, chosen]);
  useLayoutEffect(layOut, [layOut]);
  useEffect(() => {
    const watch = new ResizeObserver(layOut);
    watch.observe(copy.current!);
    for (const note of notesIn(margin.current!)) watch.observe(note);
    return () => watch.disconnect();
  }, [copy, margin, layOut]);
}

const notesIn = (margin: HTMLElement) => [...margin.querySelectorAll<HTMLElement>("[data-note]")];
