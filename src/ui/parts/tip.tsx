"use client";

import { Slot } from "radix-ui";
import { tips } from "./tip-store";

/**
 * A few words on what something is, on hover and on focus. There is one tip for the whole screen (`Tips`), which is
 * loaded when the first is wanted: a screen full of buttons would carry one each, and what places them, otherwise.
 */
export function Tip({ words, children }: { words: string; children: React.ReactNode }) {
  return (
    <Slot.Root
      onPointerEnter={(event: React.PointerEvent) => {
        if (event.pointerType !== "touch") tips.show(event.currentTarget, words);
      }}
      onPointerLeave={tips.leave}
      onPointerDown={tips.hide}
      onFocus={(event: React.FocusEvent) => {
        if (event.currentTarget.matches(":focus-visible")) tips.show(event.currentTarget, words, true);
      }}
      onBlur={tips.hide}
    >
      {children}
    </Slot.Root>
  );
}
