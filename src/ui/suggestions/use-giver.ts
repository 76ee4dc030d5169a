"use client";

import { useEffect, useState } from "react";

/** Who suggests things from this device: what they call themselves, and their own code at each page. */
type Giver = { name: string; codes: Record<string, string> };
const KEY = "hobbin.giver";
const NOBODY: Giver = { name: "", codes: {} };

function stored(): Giver {
  try {
    const found = JSON.parse(localStorage.getItem(KEY) ?? "null") as Partial<Giver> | null;
    return { name: String(found?.name ?? ""), codes: { ...found?.codes } };
  } catch {
    return NOBODY;
  }
}

/**
 * Remembers on this device who suggests things, so that the next one takes two gestures.
 * @param page the code of the page for suggestions
 * @param given their code, where the address has it
 */
export function useGiver(page: string, given: string | null) {
  const [giver, setGiver] = useState<Giver>(NOBODY);
  useEffect(() => {
    const timer = setTimeout(() => setGiver(stored()), 0);
    return () => clearTimeout(timer);
  }, []);
  const keep = (next: Giver) => {
    setGiver(next);
    try {
      localStorage.setItem(KEY, JSON.stringify(next));
    } catch {
      // They are asked for their name once more next time.
    }
  };
  return {
    name: giver.name,
    code: given ?? giver.codes[page] ?? null,
    keep: (name: string, code: string) =>
      keep({ name, codes: Object.fromEntries([...Object.entries(giver.codes).slice(-49), [page, code]]) }),
    /** Somebody else has the device now. */
    forget: () => keep(NOBODY),
  };
}
