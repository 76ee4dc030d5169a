"use client";

import { useDraggable } from "@dnd-kit/core";
import { ChevronDown, ChevronRight } from "lucide-react";
import { useState } from "react";
import type { Yarn } from "@/core/cover/weave";
import type { TreeStep } from "@/core/list/tree-moves";
import type { TreeSum } from "@/core/list/tree-sums";
import { sayMinutes } from "@/core/text/minutes";
import type { Answer } from "@/services/registry";
import { Cover } from "../parts/cover";
import { RowMenu, MenuItem, MenuLine } from "../parts/menu";
import { TwoPartName } from "../parts/two-part-name";
import { KEYS } from "../shell/commands";
import { sayUnsaved, whyOf } from "../talk/say-failure";

type Commands = {
  open: (id: string) => void;
  rename: (id: string, title: string, before: string) => Promise<void>;
  duplicate: (id: string, items: boolean) => void;
  putAway: (id: string, on: boolean) => void;
  remove: (id: string) => void;
  step: (id: string, how: TreeStep) => void;
  inside: (id: string) => void;
  startRename: (id: string) => void;
  toggle: (id: string) => void;
};
type Props = {
  node: Answer<"collections.tree">["collections"][number];
  depth: number;
  place: number;
  of: number;
  sum: TreeSum;
  /** What it is woven from, in small. */
  yarns: readonly Yarn[];
  /** Whether what is inside is shown; null when nothing is. */
  open: boolean | null;
  current: boolean;
  reachable: boolean;
  renaming: boolean;
  over: "before" | "in" | "behind" | null;
  arranges: boolean;
  onFocus: (id: string) => void;
  onRenamed: () => void;
  commands: Commands;
};

const AUDIENCE = { team: "", link: "whoever has the address", public: "public" };

/** A collection in the tree, with what it and everything inside it holds. */
export function TreeRow({ node, depth, place, of, sum, open, current, over, arranges, ...props }: Props) {
  const { commands, renaming } = props;
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: node.id,
    disabled: !arranges || renaming,
  });
  const about = [
    `${sum.items} ${sum.items === 1 ? "item" : "items"}`,
    sum.minutes ? sayMinutes(sum.minutes) : "",
    sum.waiting ? `${sum.waiting} being read` : "",
    sum.failed ? `${sum.failed} not readable` : "",
    AUDIENCE[node.audience],
    node.away ? "put away" : "",
  ].filter(Boolean);
  return (
    <li
      ref={setNodeRef}
      {...listeners}
      role="treeitem"
      data-node={node.id}
      data-dragging={isDragging || undefined}
      aria-level={depth + 1}
      aria-posinset={place}
      aria-setsize={of}
      aria-expanded={open ?? undefined}
      aria-selected={current}
      aria-label={`${node.title}, ${about.join(", ")}`}
      tabIndex={props.reachable ? 0 : -1}
      onFocus={(event) => event.target === event.currentTarget && props.onFocus(node.id)}
      onDoubleClick={() => commands.open(node.id)}
      style={{ paddingLeft: 4 + depth * 24 }}
      className={`relative flex min-h-11 items-center gap-1 border-b border-line outline-offset-[-2px] ${current ? "bg-wash" : "hover:bg-sunk"} ${isDragging ? "opacity-40" : ""} ${over === "in" ? "bg-wash outline-2 outline-accent" : ""} ${node.away ? "text-quiet" : ""}`}
    >
      {open === null ? (
        <span className="size-8 shrink-0" aria-hidden />
      ) : (
        <button
          type="button"
          tabIndex={-1}
          aria-label={open ? `Close ${node.title}` : `Open up ${node.title}`}
          onClick={() => commands.toggle(node.id)}
          className="flex size-8 shrink-0 items-center justify-center rounded text-quiet hover:text-ink"
        >
          {open ? <ChevronDown size={16} aria-hidden /> : <ChevronRight size={16} aria-hidden />}
        </button>
      )}
      {renaming ? (
        <Rename
          title={node.title}
          save={(title) => commands.rename(node.id, title, node.title)}
          done={props.onRenamed}
        />
      ) : (
        <button
          type="button"
          tabIndex={-1}
          onClick={() => commands.open(node.id)}
          className="min-w-0 font-semibold hover:underline"
        >
          <TwoPartName name={node.title} />
        </button>
      )}
      <span className="ml-2 min-w-0 flex-1 truncate text-sm text-quiet">{about.join(" · ")}</span>
      {props.yarns.length > 0 && (
        <Cover
          threads={props.yarns}
          tags={[]}
          width={96}
          height={16}
          className="h-4 w-24 shrink-0 rounded-sm! max-sm:hidden"
        />
      )}
      {arranges && (
        <RowMenu label={`What to do with ${node.title}`} reachable={props.reachable}>
          <MenuItem onSelect={() => commands.open(node.id)} keys="Enter">
            Open
          </MenuItem>
          <MenuItem onSelect={() => setTimeout(() => commands.startRename(node.id))} keys="F2">
            Rename
          </MenuItem>
          <MenuItem onSelect={() => commands.inside(node.id)} keys="N">
            New collection in this one
          </MenuItem>
          <MenuLine />
          <MenuItem onSelect={() => commands.step(node.id, "up")} keys="Alt ↑">
            Move up
          </MenuItem>
          <MenuItem onSelect={() => commands.step(node.id, "down")} keys="Alt ↓">
            Move down
          </MenuItem>
          <MenuItem onSelect={() => commands.step(node.id, "in")} keys="Alt →">
            Move into the one before
          </MenuItem>
          <MenuItem onSelect={() => commands.step(node.id, "out")} keys="Alt ←">
            Move out
          </MenuItem>
          <MenuLine />
          <MenuItem onSelect={() => commands.duplicate(node.id, true)} keys="D">
            Duplicate
          </MenuItem>
          <MenuItem onSelect={() => commands.duplicate(node.id, false)} keys="Shift D">
            Duplicate without the items
          </MenuItem>
          <MenuItem onSelect={() => commands.putAway(node.id, !node.away)} keys={KEYS.putAway}>
            {node.away ? "Take it out again" : "Put it away"}
          </MenuItem>
          <MenuItem stop onSelect={() => commands.remove(node.id)} keys="Del">
            Delete
          </MenuItem>
        </RowMenu>
      )}
      {over && over !== "in" && (
        <span
          aria-hidden
          className={`pointer-events-none absolute right-0 left-2 h-[3px] rounded bg-accent ${over === "before" ? "-top-0.5" : "-bottom-0.5"}`}
        />
      )}
    </li>
  );
}

function Rename({
  title,
  save,
  done,
}: {
  title: string;
  save: (title: string) => Promise<void>;
  done: () => void;
}) {
  const [typed, setTyped] = useState(title);
  const end = (keep: boolean) => {
    const name = typed.trim();
    const send = () => save(name);
    if (keep && name && name !== title)
      send().catch((error: unknown) => sayUnsaved(name, whyOf(error), send));
    done();
  };
  return (
    <input
      autoFocus
      aria-label="Title of the collection"
      value={typed}
      maxLength={200}
      onFocus={(event) => event.target.select()}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => end(true)}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === "Enter") end(true);
        else if (event.key === "Escape") end(false);
        else return;
        event.preventDefault();
      }}
      className="h-8 min-w-60 rounded border border-edge bg-sheet px-2 font-semibold text-ink"
    />
  );
}
