import { useSyncExternalStore } from "react";

/** Words that are shown about something on the screen. */
export type Shown = { about: Element; words: string };

/** How long a pointer rests before there are words; a focus that came by key does not wait. */
const RESTING_MS = 500;
/** As long as this a pointer may be on its way from the thing to its words. */
const LEAVING_MS = 200;

let shown: Shown | undefined;
let timer: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<() => void>();

function set(next: Shown | undefined): void {
  clearTimeout(timer);
  if (next?.about === shown?.about && next?.words === shown?.words) return;
  shown = next;
  for (const listener of listeners) listener();
}

/** One tip at a time, for the whole screen. */
export const tips = {
  /** Shows words about something, once a pointer has rested on it, or at once. */
  show(about: Element, words: string, atOnce = false): void {
    clearTimeout(timer);
    if (atOnce || shown) set({ about, words });
    else timer = setTimeout(() => about.isConnected && set({ about, words }), RESTING_MS);
  },
  /** The pointer has left; it may be on its way to the words. */
  leave(): void {
    clearTimeout(timer);
    timer = setTimeout(() => set(undefined), LEAVING_MS);
  },
  /** The pointer has come to the words themselves, which may be read for as long as it is there. */
  stay(): void {
    clearTimeout(timer);
  },
  hide(): void {
    set(undefined);
  },
};

/** What is shown now. */
export const useShown = (): Shown | undefined =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    () => shown,
    () => undefined,
  );
