"use client";

import { useEffect, useRef } from "react";

/**
 * Does something with what is typed and not saved yet before it would be lost: when its field goes away, when the page
 * is left or read again, when another window or program comes to the front (on a phone often the last that is heard).
 */
export function useLeaving(flush: () => void): void {
  const now = useRef(flush);
  useEffect(() => {
    now.current = flush;
  });
  useEffect(() => {
    const leave = () => now.current();
    const hide = () => {
      if (document.visibilityState === "hidden") leave();
    };
    window.addEventListener("pagehide", leave);
    document.addEventListener("visibilitychange", hide);
    return () => {
      window.removeEventListener("pagehide", leave);
      document.removeEventListener("visibilitychange", hide);
      leave();
    };
  }, []);
}

/** Whether what asks is still on the page, for what is answered later. */
export function useGone(): { readonly current: boolean } {
  const gone = useRef(false);
  useEffect(() => {
    gone.current = false;
    return () => {
      gone.current = true;
    };
  }, []);
  return gone;
}
