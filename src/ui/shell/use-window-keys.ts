"use client";

import { useLayoutEffect, useRef } from "react";

/**
 * Hears every key that is pressed on a screen, from the moment the screen is there to the moment it is gone. An effect
 * would begin and end a beat later: between two screens a key would go to the one that is gone, and be lost.
 * @param onKey what hears it; always the newest one is called
 * @param off nothing is heard for now
 */
export function useWindowKeys(onKey: (event: KeyboardEvent) => void, off = false): void {
  const newest = useRef(onKey);
  useLayoutEffect(() => {
    newest.current = onKey;
  });
  useLayoutEffect(() => {
    if (off) return;
    const hear = (event: KeyboardEvent) => newest.current(event);
    window.addEventListener("keydown", hear);
    return () => window.removeEventListener("keydown", hear);
  }, [off]);
}
