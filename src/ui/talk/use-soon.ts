"use client";

import { useEffect, useState } from "react";

/** By then what somebody came for is on the screen, in milliseconds. */
const SOON = 1_500;

/** Whether the page has been there for a moment: what stands far below asks for what it needs only then. */
export function useSoon(): boolean {
  const [soon, setSoon] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setSoon(true), SOON);
    return () => clearTimeout(timer);
  }, []);
  return soon;
}
