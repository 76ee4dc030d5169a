"use client";

import { useCallback, useState } from "react";

/**
 * Whether a `<details>` is open, for one whose content is made only then. It is also known of one that was opened
 * before the page came alive: the browser opens it without a script, and tells of it nobody who comes later.
 * @returns whether it is open; a way to say so; and what its element is given
 */
export function useUnfolded() {
  const [open, setOpen] = useState(false);
  const ref = useCallback((element: HTMLDetailsElement | null) => {
    if (element?.open) setOpen(true);
  }, []);
  const onToggle = (event: React.ToggleEvent<HTMLDetailsElement>) => setOpen(event.currentTarget.open);
  return [open, setOpen, { ref, onToggle }] as const;
}
