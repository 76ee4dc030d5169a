"use client";

import { useState } from "react";

/**
 * What was saved stands there until it, or what came after it, is heard of.
 * @param heard what the server said last
 * @returns what was saved and is not heard of yet, or null; and how it is said
 */
export function useSaved(heard: string): [string | null, (saved: string | null) => void] {
  const [saved, setSaved] = useState<string | null>(null);
  const [last, setLast] = useState(heard);
  if (heard !== last) {
    setLast(heard);
    setSaved(null);
  }
  return [saved, setSaved];
}
