"use client";

import { Tooltip } from "radix-ui";

/** A few words on what something is, on hover and on focus. */
export function Tip({ words, children }: { words: string; children: React.ReactNode }) {
  return (
    <Tooltip.Root>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content
          sideOffset={6}
          className="z-50 max-w-72 rounded-md bg-ink px-2.5 py-1.5 text-sm text-sheet"
        >
          {words}
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  );
}
