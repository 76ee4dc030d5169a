"use client";

import { useQuery } from "@tanstack/react-query";
import { ChevronDown } from "lucide-react";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { Popover } from "radix-ui";
import { useEffect, useState } from "react";
import { Button } from "../parts/button";
import { TreePicker } from "../parts/tree-picker";
import { isTyping } from "../shell/commands";
import { call } from "../talk/call";

type Props = {
  team: string;
  collection: { id: string; title: string; parent: string | null };
  /** The collection something is held over. */
  over?: string | null;
  onNew?: () => void;
};
type Node = { id: string; parent: string | null; title: string };

/**
 * Where the open collection stands. The stroke before each step drops down that step's neighbours, the last step the
 * whole tree; either is narrowed as one types.
 */
export function Path({ team, collection, over, onNew }: Props) {
  const router = useRouter();
  const tree = useQuery({ queryKey: ["tree", team], queryFn: () => call("collections.tree", { team }) });
  const nodes: Node[] = (tree.data?.collections ?? []).filter((one) => !one.away || one.id === collection.id);
  const above: Node[] = [];
  for (let id = collection.parent; id && above.length < 20;) {
    const node = nodes.find((one) => one.id === id);
    if (!node) break;
    above.unshift(node);
    id = node.parent;
  }
  const go = (id: string) => router.push(`/bench/${id}`);
  const beside = (node: { id: string; title: string; parent: string | null }) => (
    <Drop
      label={`Beside ${node.title}`}
      nodes={nodes.filter((one) => one.parent === node.parent).map((one) => ({ ...one, parent: null }))}
      onPick={go}
      trigger={
        <button
          type="button"
          aria-label={`What stands beside ${node.title}`}
          className="flex h-9 min-w-6 items-center justify-center rounded text-quiet hover:bg-wash hover:text-ink"
        >
          /
        </button>
      }
    />
  );
  return (
    <>
      {above.map((one) => (
        <span key={one.id} className="flex min-w-0 items-center max-md:hidden">
          {beside(one)}
          <Link
            href={`/bench/${one.id}`}
            data-drop={one.id}
            data-drop-title={one.title}
            className={`max-w-44 truncate rounded-md px-1.5 py-1.5 hover:bg-wash hover:text-ink ${over === one.id ? "bg-deed text-on-deed" : "text-quiet"}`}
          >
            {one.title}
          </Link>
        </span>
      ))}
      {beside(collection)}
      <Drop
        keyed
        label="Go to a collection"
        nodes={nodes}
        onPick={go}
        onNew={onNew}
        trigger={
          <button
            type="button"
            className="flex h-9 min-w-0 items-center gap-1 rounded-md px-1.5 font-semibold hover:bg-wash"
          >
            <span className="max-w-64 truncate max-md:max-w-32">{collection.title}</span>
            <ChevronDown size={14} aria-hidden className="shrink-0" />
          </button>
        }
      />
    </>
  );
}

type DropProps = {
  label: string;
  nodes: readonly Node[];
  trigger: React.ReactNode;
  /** G opens it. */
  keyed?: boolean;
  onPick: (id: string) => void;
  onNew?: () => void;
};

function Drop({ label, nodes, trigger, keyed, onPick, onNew }: DropProps) {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    if (!keyed) return;
    const onKey = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() !== "g" || event.ctrlKey || event.metaKey || event.altKey) return;
      if (isTyping(event.target) || document.querySelector("[role=dialog],[role=menu]")) return;
      event.preventDefault();
      setOpen(true);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [keyed]);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
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
              setOpen(false);
              onPick(id);
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
  );
}
