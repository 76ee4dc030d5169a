"use client";

import { useQuery } from "@tanstack/react-query";
import { Command } from "cmdk";
import { useRouter } from "next/navigation";
import { Dialog } from "radix-ui";
import { useState } from "react";
import { call } from "../talk/call";

export type PaletteCommand = { words: string; run: () => void };
type Props = {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  team: string | null;
  commands: PaletteCommand[];
};

const ITEM =
  "flex min-h-10 cursor-pointer items-center gap-3 rounded-sm px-3 text-[15px] data-[selected=true]:bg-wash";

/** Goes anywhere and does anything by a few letters. */
export function Palette({ open, onOpenChange, team, commands }: Props) {
  const router = useRouter();
  const [words, setWords] = useState("");
  const tree = useQuery({
    queryKey: ["tree", team],
    queryFn: () => call("collections.tree", { team: team! }),
    enabled: open && !!team,
  });
  const run = (act: () => void) => {
    onOpenChange(false);
    setWords("");
    act();
  };
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[rgb(10_20_18/0.45)]" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[10vh] left-1/2 z-50 w-[calc(100vw-2rem)] max-w-xl -translate-x-1/2 rounded-md border border-line bg-sheet shadow-lift"
        >
          <Dialog.Title className="sr-only">Go to or do anything</Dialog.Title>
          <Command label="Go to or do anything" loop>
            <Command.Input
              value={words}
              onValueChange={setWords}
              placeholder="A collection, or something to do"
              className="h-12 w-full rounded-t-md border-b border-line bg-sheet px-4 text-base outline-none placeholder:text-quiet"
            />
            <Command.List className="max-h-[50vh] overflow-y-auto p-1.5">
              <Command.Empty className="px-3 py-4 text-quiet">Nothing goes by these letters.</Command.Empty>
              <Command.Group
                heading="Collections"
                className="[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:py-1.5 [&_[cmdk-group-heading]]:text-sm [&_[cmdk-group-heading]]:text-quiet"
              >
                {(tree.data?.collections ?? []).map((one) => (
                  <Command.Item
                    key={one.id}
                    value={`${one.title} ${one.id}`}
                    onSelect={() => run(() => router.push(`/bench/${one.id}`))}
                    className={ITEM}
                  >
                    {one.title}
                  </Command.Item>
                ))}
              </Command.Group>
              <Command.Group
                heading="To do"
                className="[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:py-1.5 [&_[cmdk-group-heading]]:text-sm [&_[cmdk-group-heading]]:text-quiet"
              >
                {commands.map((one) => (
                  <Command.Item
                    key={one.words}
                    value={one.words}
                    onSelect={() => run(one.run)}
                    className={ITEM}
                  >
                    {one.words}
                  </Command.Item>
                ))}
              </Command.Group>
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
