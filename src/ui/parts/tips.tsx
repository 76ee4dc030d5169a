"use client";

import { Tooltip } from "radix-ui";
import { useEffect } from "react";
import { type Shown, tips } from "./tip-store";

/** Shows the words of a tip beside what they are about. */
export function Tips({ shown }: { shown: Shown }) {
  useEffect(() => {
    addEventListener("scroll", tips.hide, { capture: true, passive: true });
    // What they are about may go with its whole page.
    const going = new MutationObserver(() => !shown.about.isConnected && tips.hide());
    going.observe(document.body, { childList: true, subtree: true });
    return () => {
      removeEventListener("scroll", tips.hide, { capture: true });
      going.disconnect();
    };
  }, [shown.about]);
  const { left, top, width, height } = shown.about.getBoundingClientRect();
  return (
    <Tooltip.Provider>
      <Tooltip.Root key={`${left} ${top}`} open onOpenChange={(open) => !open && tips.hide()}>
        <Tooltip.Trigger asChild>
          {/* The words keep to this place; what they are about has no part in it. */}
          <span
            aria-hidden
            className="pointer-events-none fixed"
            style={{ left, top, width, height }}
            tabIndex={-1}
          />
        </Tooltip.Trigger>
        <Tooltip.Portal>
          <Tooltip.Content
            sideOffset={6}
            onPointerEnter={tips.stay}
            onPointerLeave={tips.leave}
            className="z-50 max-w-72 rounded-md bg-ink px-2.5 py-1.5 text-sm text-sheet"
          >
            {shown.words}
          </Tooltip.Content>
        </Tooltip.Portal>
      </Tooltip.Root>
    </Tooltip.Provider>
  );
}
