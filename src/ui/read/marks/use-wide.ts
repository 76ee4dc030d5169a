"use client";

import { useSyncExternalStore } from "react";

const WIDE = "(min-width: 64rem)";
const listen = (tell: () => void) => {
  const query = window.matchMedia(WIDE);
  query.addEventListener("change", tell);
  return () => query.removeEventListener("change", tell);
};

/** Whether there is room for a margin beside the text. */
export const useWide = (): boolean =>
  useSyncExternalStore(
    listen,
    () => window.matchMedia(WIDE).matches,
    () => true,
  );
