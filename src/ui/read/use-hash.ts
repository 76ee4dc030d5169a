"use client";

import { useEffect, useEffectEvent } from "react";

/** Tells the end of the address, with its #: at first, and whenever another one is gone to on this page. */
export function useHash(look: (hash: string) => void): void {
  const tell = useEffectEvent(() => look(window.location.hash));
  useEffect(() => {
    const heard = () => tell();
    heard();
    window.addEventListener("hashchange", heard);
    return () => window.removeEventListener("hashchange", heard);
  }, []);
}
