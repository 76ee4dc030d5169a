"use client";

import { X } from "lucide-react";
import { useState } from "react";
import { Dialog as Radix } from "radix-ui";
import { IconButton } from "./button";

type Props = {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  title: string;
  about?: string;
  wide?: boolean;
  children: React.ReactNode;
};

/** What has the focus and stays: of an entry of a menu, which goes with it, the button the menu opens from. */
function focusNow(): Element | null {
  const now = document.activeElement;
  const opens = now?.closest("[role=menu]")?.getAttribute("aria-labelledby");
  return opens ? document.getElementById(opens) : now;
}

/** A dialog over the page: its title, what it is about, and its contents. Escape closes it. */
export function Dialog({ open, onOpenChange, title, about, wide, children }: Props) {
  // A field inside may take the focus before anybody asks who had it, so it is asked while this is drawn.
  const [was, setWas] = useState<{ open: boolean; focus: Element | null }>({ open: false, focus: null });
  if (was.open !== open)
    setWas({ open, focus: open && typeof document !== "undefined" ? focusNow() : was.focus });
  const before = was.focus;
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-[rgb(10_20_18/0.45)]" />
        <Radix.Content
          onOpenAutoFocus={(event) => {
            // A field that asked for the focus has it; otherwise the dialog itself, not its closing button.
            event.preventDefault();
            const panel = event.currentTarget as HTMLElement;
            if (!panel.contains(document.activeElement)) panel.focus();
          }}
          onCloseAutoFocus={(event) => {
            // What opened as this closed may have a field: then that has the focus.
            if (document.activeElement?.matches("input, textarea")) return event.preventDefault();
            if (!(before instanceof HTMLElement) || !before.isConnected || before === document.body) return;
            event.preventDefault();
            before.focus({ preventScroll: true });
          }}
          className={`fixed top-[12vh] left-1/2 z-50 flex max-h-[80vh] w-[calc(100vw-2rem)] -translate-x-1/2 flex-col gap-4 overflow-y-auto rounded-md border border-line bg-sheet p-5 shadow-lift ${wide ? "max-w-2xl" : "max-w-lg"}`}
        >
          <div className="flex items-start gap-4">
            <div className="flex-1">
              <Radix.Title className="font-serif text-xl font-semibold">{title}</Radix.Title>
              <Radix.Description className={about ? "mt-1 text-[15px] text-quiet" : "sr-only"}>
                {about ?? title}
              </Radix.Description>
            </div>
            <Radix.Close asChild>
              <IconButton label="Close">
                <X size={18} aria-hidden />
              </IconButton>
            </Radix.Close>
          </div>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
