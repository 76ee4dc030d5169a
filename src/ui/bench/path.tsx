"use client";

import { useQuery } from "@tanstack/react-query";
import { ChevronDown } from "lucide-react";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { Popover } from "radix-ui";
import { useState } from "react";
import { Button } from "../parts/button";
import { TreePicker } from "../parts/tree-picker";
import { call } from "../talk/call";

type Props = {
  team: string;
  collection: { id: string; title: string; parent: string | null };
  onNew?: () => void;
};

/** Where the open collection stands; its own step drops down the whole tree, narrowed as one types. */
export function Path({ team, collection, onNew }: Props) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const tree = useQuery({ queryKey: ["tree", team], queryFn: () => call("collections.tree", { team }) });
  const nodes = tree.data?.collections ?? [];
  const above: { id: string; title: string }[] = [];
  for (let id = collection.parent; id && above.length < 20;) {
    const node = nodes.find((one) => one.id === id);
    if (!node) break;
    above.unshift(node);
    id = node.parent;
  }
  return (
    <>
      {above.map((one) => (
        <span key={one.id} className="flex min-w-0 items-center max-md:hidden">
          <Slash />
          <Link
            href={`/bench/${one.id}`}
            className="max-w-44 truncate rounded-md px-2 py-1.5 text-quiet hover:bg-wash hover:text-ink"
          >
            {one.title}
          </Link>
        </span>
      ))}
      <Slash />
      <Popover.Root open={open} onOpenChange={setOpen}>
        <Popover.Trigger className="flex h-9 min-w-0 items-center gap-1 rounded-md px-2 font-semibold hover:bg-wash">
          <span className="max-w-64 truncate max-md:max-w-32">{collection.title}</span>
          <ChevronDown size={14} aria-hidden className="shrink-0" />
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            align="start"
            sideOffset={6}
            collisionPadding={8}
            aria-label="Collections of the team"
            className="z-50 w-80 rounded-md border border-line bg-sheet p-3 shadow-lift"
          >
            <TreePicker
              label="Go to a collection"
              nodes={nodes}
              onPick={(id) => {
                setOpen(false);
                router.push(`/bench/${id}`);
              }}
            />
            {onNew && (
              <Button
                small
                className="mt-2 w-full"
                onClick={() => {
                  setOpen(false);
                  onNew();
                }}
              >
                New collection in this one
              </Button>
            )}
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </>
  );
}

const Slash = () => (
  <span className="text-quiet" aria-hidden>
    /
  </span>
);
