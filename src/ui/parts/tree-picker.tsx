"use client";

import { groupBy } from "@/core/list/group-by";
import { useMemo, useState } from "react";
import { Field } from "./field";

export type TreeNode = { id: string; parent: string | null; title: string };

/**
 * The collections of a tree in order, each with its depth; narrowed to those whose title holds the words.
 * @param nodes in the order of their siblings
 * @param words letters to narrow by; empty: all
 */
export function flattenTree(nodes: readonly TreeNode[], words = ""): (TreeNode & { depth: number })[] {
  const wanted = words.trim().toLocaleLowerCase();
  const byParent = groupBy(nodes, (node) => node.parent);
  const known = new Set(nodes.map((node) => node.id));
  const walk = (parent: string | null, depth: number): (TreeNode & { depth: number })[] =>
    (byParent.get(parent) ?? []).flatMap((node) => [{ ...node, depth }, ...walk(node.id, depth + 1)]);
  const orphans = nodes
    .filter((node) => node.parent && !known.has(node.parent))
    .map((node) => ({ ...node, depth: 0 }));
  const all = [...walk(null, 0), ...orphans];
  return wanted
    ? all
        .filter((node) => node.title.toLocaleLowerCase().includes(wanted))
        .map((node) => ({ ...node, depth: 0 }))
    : all;
}

const inSight = (option: HTMLElement | null) => option?.scrollIntoView({ block: "nearest" });

type Props = {
  nodes: readonly TreeNode[];
  onPick: (id: string) => void;
  /** Makes one of the name that was typed; offered where none is called so. */
  onMake?: (title: string) => void;
  label: string;
  /** What stands before it is asked for first. */
  waits?: boolean;
};

const MAKE = "make";

/** Picks one collection of a tree: type a few letters, go with the arrows, take with Enter. */
export function TreePicker({ nodes, onPick, onMake, label, waits }: Props) {
  const [words, setWords] = useState("");
  const [at, setAt] = useState(0);
  const name = words.trim();
  const shown = useMemo(() => {
    const some = flattenTree(nodes, name);
    const wanted = name.toLocaleLowerCase();
    const isThere = !wanted || some.some((node) => node.title.toLocaleLowerCase() === wanted);
    return onMake && !isThere
      ? [...some, { id: MAKE, parent: null, title: `Make “${name}” here`, depth: 0 }]
      : some;
  }, [nodes, name, onMake]);
  const current = Math.min(at, shown.length - 1);
  const take = (id: string) => (id === MAKE ? onMake?.(name) : onPick(id));
  return (
    <div>
      <Field
        label={label}
        value={words}
        placeholder="Type a few letters"
        autoFocus={!waits}
        role="combobox"
        aria-expanded
        aria-controls="tree-picker-list"
        aria-activedescendant={shown[current] ? `tree-${shown[current].id}` : undefined}
        onChange={(event) => (setWords(event.target.value), setAt(0))}
        onKeyDown={(event) => {
          if (event.key === "ArrowDown") setAt(Math.min(current + 1, shown.length - 1));
          else if (event.key === "ArrowUp") setAt(Math.max(current - 1, 0));
          else if (event.key === "Enter" && shown[current]) take(shown[current].id);
          else return;
          event.preventDefault();
        }}
      />
      <ul id="tree-picker-list" role="listbox" aria-label={label} className="mt-2 max-h-64 overflow-y-auto">
        {shown.map((node, i) => (
          <li
            key={node.id}
            id={`tree-${node.id}`}
            role="option"
            aria-selected={i === current}
            ref={i === current ? inSight : undefined}
            style={{ paddingLeft: 12 + node.depth * 16 }}
            className={`cursor-pointer truncate rounded-sm py-1.5 pr-3 ${i === current ? "bg-wash" : ""} ${node.id === MAKE ? "font-semibold text-accent" : ""}`}
            onMouseEnter={() => setAt(i)}
            onClick={() => take(node.id)}
          >
            {node.title}
          </li>
        ))}
      </ul>
      {/* A list of options holds nothing else. */}
      {!shown.length && (
        <p role="status" className="px-3 py-2 text-quiet">
          No collection has these letters.
        </p>
      )}
    </div>
  );
}
