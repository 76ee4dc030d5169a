"use client";

import { Popover } from "radix-ui";
import { Button } from "../../parts/button";
import { TreePicker } from "../../parts/tree-picker";

/** Collections to go to, narrowed as one types, below the button that drops them down. The button stands outside. */
export function PathDrop({
  open,
  onOpenChange,
  label,
  nodes,
  button,
  onPick,
  onNew,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  label: string;
  nodes: readonly { id: string; parent: string | null; title: string }[];
  button: React.RefObject<HTMLButtonElement | null>;
  onPick: (id: string) => void;
  onNew?: () => void;
}) {
  return (
    <Popover.Root open={open} onOpenChange={onOpenChange}>
      <Popover.Anchor virtualRef={button as React.RefObject<HTMLButtonElement>} />
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={6}
          collisionPadding={8}
          aria-label={label}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            // Unless what was opened from here has it by now.
            if (!document.activeElement?.closest("[role=dialog]")) button.current?.focus();
          }}
          // A press on the button closes it by the button.
          onInteractOutside={(event) => {
            if (button.current?.contains(event.target as Node)) event.preventDefault();
          }}
          className="z-50 w-80 rounded-md border border-line bg-sheet p-3 shadow-lift"
        >
          <TreePicker
            label={label}
            nodes={nodes}
            onPick={(id) => {
              onOpenChange(false);
              onPick(id);
            }}
          />
          {onNew && (
            <Button
              small
              className="mt-2 w-full"
              onClick={() => {
                onOpenChange(false);
                onNew();
              }}
            >
              New collection in this one
            </Button>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
