"use client";

import { useCallback, useEffect, useLayoutEffect, useRef, useState } from "react";
import { isHeard } from "../../shell/early";

/**
 * The line that has, or had last, the focus: a field somebody writes in stays, wherever the list is scrolled, or the
 * next letters would be keys of the Bench.
 * @returns its key, and what is to hear when something in the list gets the focus; a line says its key as `data-line`
 */
export function useFocused(): [string | null, (event: React.FocusEvent) => void] {
  const [key, setKey] = useState<string | null>(null);
  const onFocus = useCallback((event: React.FocusEvent) => {
    setKey(event.target.closest<HTMLElement>("[data-line]")?.dataset.line ?? null);
  }, []);
  return [key, onFocus];
}

/** When a line has stood still for so many frames, everything around it is drawn and measured. */
const STILL = 5;
/** Longer than so many frames nobody waits for it. */
const PATIENCE = 120;

/**
 * Brings something into sight until it stands still, or somebody scrolls by hand: what is around it may still come. And
 * again whenever there is more or less room, or more or less in it: a bar whose script is slow, or what is drawn above it
 * and is higher than was thought, comes when all has long stood still.
 * @param box what is scrolled by hand
 * @param look brings it into sight; where it is then, or null when it is not drawn yet
 * @param inside what is in the box and grows; who is at something else in it meanwhile than at an item stays there
 * @returns what ends it
 */
export function untilStill(
  box: HTMLElement | null,
  look: () => number | null,
  inside?: HTMLElement | null,
): () => void {
  let frame = 0;
  const begin = () => {
    let still = 0;
    let frames = 0;
    let last: number | null = null;
    cancelAnimationFrame(frame);
    frame = requestAnimationFrame(function again() {
      const top = look();
      still = top !== null && top === last ? still + 1 : 0;
      last = top;
      if (still < STILL && frames++ < PATIENCE) frame = requestAnimationFrame(again);
    });
  };
  begin();
  const room = new ResizeObserver(begin);
  if (box) room.observe(box);
  const content = new ResizeObserver(() => document.activeElement?.matches("body, [data-item]") && begin());
  if (inside) content.observe(inside);
  const byHand = ["wheel", "touchmove", "pointerdown"] as const;
  const stop = () => {
    cancelAnimationFrame(frame);
    room.disconnect();
    content.disconnect();
    for (const name of byHand) box?.removeEventListener(name, stop);
  };
  for (const name of byHand) box?.addEventListener(name, stop, { passive: true });
  return stop;
}

/** Whether somebody had scrolled a list before the page it is on was alive: then it stays where they are. */
const wasScrolled = (scroller: React.RefObject<HTMLElement | null>) =>
  !isHeard() && !!scroller.current?.scrollTop;

/**
 * Leaves a list where somebody had scrolled it before the page it is on was alive: what draws only the lines in sight begins
 * at its top, and takes it there. To be called before that.
 */
export function useWhereItWas(scroller: React.RefObject<HTMLElement | null>): void {
  const was = useRef(0);
  useLayoutEffect(() => {
    if (!isHeard()) was.current = scroller.current?.scrollTop ?? 0;
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when it comes alive
  }, []);
  useEffect(() => {
    if (was.current) scroller.current?.scrollTo({ top: was.current, behavior: "instant" });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when it comes alive
  }, []);
}

/**
 * Brings the line the keys act on into sight, when another one is chosen. How high lines are is a guess until they are
 * drawn, and on a busy machine that takes a while; so it is looked whether all of the line is there until it stands
 * still, or somebody scrolls by hand.
 * @param at its index; -1 when it is not in this list
 * @param when what else moves things: the view, or a bar that takes room away
 */
export function useBroughtIntoSight(
  scroller: React.RefObject<HTMLElement | null>,
  at: number,
  when: readonly unknown[],
  scrollTo: (index: number) => void,
): void {
  useEffect(() => {
    if (at < 0 || wasScrolled(scroller)) return;
    scrollTo(at);
    const box = scroller.current;
    const line = box?.querySelector<HTMLElement>("[data-index]");
    return untilStill(box, () => box && wholeInSight(box, at), line?.parentElement);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only when the choice changes, not when the list does
  }, when);
}

/**
 * Scrolls up or down as far as it takes; a wide table stays where it is from side to side.
 * @returns where the line begins then, in pixels of the window; null when it is not drawn
 */
function wholeInSight(scroller: HTMLElement, index: number): number | null {
  const row = scroller.querySelector(`[data-index="${index}"]`);
  if (!row) return null;
  const box = scroller.getBoundingClientRect();
  const top = box.top + (parseFloat(getComputedStyle(scroller).scrollPaddingTop) || 0);
  let line = row.getBoundingClientRect();
  // Where there is no room for the line with what parts it from the next, there may be for the item.
  if (line.height > box.bottom - top)
    line = (row.querySelector("[data-item][tabindex='0']") ?? row).getBoundingClientRect();
  const before = scroller.scrollTop;
  if (line.top < top) scroller.scrollTop -= top - line.top;
  else if (line.bottom > box.bottom) scroller.scrollTop += Math.min(line.bottom - box.bottom, line.top - top);
  return line.top - (scroller.scrollTop - before);
}

/**
 * Scrolls along while something is picked up: to where it would land, and, once it is dropped or put back, to where it
 * stands.
 * @param landing index of the line it would land behind; -1 when that is not in this list
 * @param at index of the line the keys act on, or -1
 */
export function useFollow(
  scroller: React.RefObject<HTMLElement | null>,
  lifted: boolean,
  landing: number,
  at: number,
  scrollTo: (index: number) => void,
): void {
  useEffect(() => {
    const to = lifted ? landing : at;
    if (to < 0 || wasScrolled(scroller)) return;
    scrollTo(to);
    if (!lifted) return;
    // The mark lies behind the line, so a line at the edge hides it; it is there once the list has scrolled.
    let frames = 0;
    let frame = requestAnimationFrame(function look() {
      document.querySelector("[data-landing]")?.scrollIntoView({ block: "nearest", inline: "nearest" });
      if (frames++ < 3) frame = requestAnimationFrame(look);
    });
    return () => cancelAnimationFrame(frame);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only with what is picked up, not when others change the list
  }, [lifted, lifted && landing]);
}
