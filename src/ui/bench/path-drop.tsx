"use client";

import { Popover } from "radix-ui";
import { Button } from "../parts/button";
import { TreePicker } from "../parts/tree-picker";

/** Collections to go to, narrowed as one types, below the button that drops them down. */
export function PathDrop({
  open,
  onOpenChange,
  label,
  nodes,
  trigger,
  onPick,
  onNew,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  label: string;
  nodes: readonly { id: string; parent: string | null; title: string }[];
  trigger: React.ReactNode;
  onPick: (id: string) => void;
  onNew?: () => void;
}) {
  return (
    <Popover.Root open={open} onOpenChange={onOpenChange}>
      <Popover.Trigger asChild>{trigger}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={6}
          collisionPadding={8}
          aria-label={label}
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
