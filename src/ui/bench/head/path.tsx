"use client";

import { useQuery } from "@tanstack/react-query";
import { ChevronDown } from "lucide-react";
import { useRouter } from "next/navigation";
import { cloneElement, useCallback, useRef, useState } from "react";
import { Link } from "../../parts/link";
import { isForField } from "../../shell/commands";
import { holdLetters } from "../../shell/hold-letters";
import { useWindowKeys } from "../../shell/use-window-keys";
import { ask } from "../../talk/call";
import type { PathDrop } from "./path-drop";

const load = () => import("./path-drop");

type Props = {
  team: string;
  collection: { id: string; title: string; parent: string | null };
  /** Where it stands until the whole tree is there. */
  above: Node[];
  /** The collection something is held over. */
  over?: string | null;
  onNew?: () => void;
};
type Node = { id: string; parent: string | null; title: string };

/**
 * Where the open collection stands. The first step drops down the whole tree, the stroke before each other one that step's
 * neighbours; either is narrowed as one types.
 */
export function Path({ team, collection, above: first, over, onNew }: Props) {
  const router = useRouter();
  const tree = useQuery({ queryKey: ["tree", team], queryFn: () => ask("collections.tree", { team }) });
  const nodes: Node[] = (tree.data?.collections ?? []).filter((one) => !one.away || one.id === collection.id);
  const above: Node[] = tree.data ? [] : [...first];
  for (let id = tree.data && collection.parent; id && above.length < 20;) {
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
          className="flex h-7 min-w-6 shrink-0 items-center justify-center rounded hover:bg-wash hover:text-ink"
        >
          /
        </button>
      }
    />
  );
  return (
    <nav aria-label="Where it stands" className="-ml-1.5 flex min-w-0 items-center text-[15px] text-quiet">
      <Drop
        keyed
        label="Go to a collection"
        nodes={nodes}
        onPick={go}
        onNew={onNew}
        trigger={
          <button
            type="button"
            className="flex h-7 shrink-0 items-center gap-1 rounded-md px-1.5 hover:bg-wash hover:text-ink"
          >
            Collections
            <ChevronDown size={14} aria-hidden className="shrink-0" />
          </button>
        }
      />
      {above.map((one) => (
        <span key={one.id} className="flex min-w-0 items-center">
          {beside(one)}
          <Link
            href={`/bench/${one.id}`}
            data-drop={one.id}
            data-drop-title={one.title}
            className={`max-w-56 truncate rounded-md px-1.5 py-0.5 hover:bg-wash hover:text-ink ${over === one.id ? "bg-accent text-on-accent" : ""}`}
          >
            {one.title}
          </Link>
        </span>
      ))}
      {beside(collection)}
    </nav>
  );
}

type DropProps = {
  label: string;
  nodes: readonly Node[];
  trigger: React.ReactElement<React.ComponentProps<"button">>;
  /** G opens it. */
  keyed?: boolean;
  onPick: (id: string) => void;
  onNew?: () => void;
};

/**
 * A button that drops down collections to go to. What it drops is loaded when somebody is about to press; the button itself
 * stays the same one, so that neither a press nor the focus is lost.
 */
function Drop({ trigger, keyed, ...rest }: DropProps) {
  const [open, setOpen] = useState(false);
  const [Loaded, setLoaded] = useState<typeof PathDrop | null>(null);
  const button = useRef<HTMLButtonElement>(null);
  const ready = useCallback(() => load().then((m) => setLoaded(() => m.PathDrop)), []);
  const turn = useCallback(() => void ready().then(() => setOpen((old) => !old)), [ready]);
  useWindowKeys((event) => {
    if (event.key.toLowerCase() !== "g" || event.ctrlKey || event.metaKey || event.altKey) return;
    if (isForField(event) || document.querySelector("[role=dialog],[role=menu]")) return;
    event.preventDefault();
    holdLetters();
    turn();
  }, !keyed);
  return (
    <>
      {cloneElement(trigger, {
        ref: button,
        "aria-haspopup": "dialog",
        "aria-expanded": open,
        onPointerEnter: () => void ready(),
        onFocus: () => void ready(),
        onClick: () => {
          if (!open) holdLetters();
          turn();
        },
      })}
      {Loaded && <Loaded {...rest} button={button} open={open} onOpenChange={setOpen} />}
    </>
  );
}
