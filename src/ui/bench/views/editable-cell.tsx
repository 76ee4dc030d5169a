"use client";

import { useRef, useState } from "react";
import { sayFailure } from "../../talk/say-failure";

/** A cell that may be edited: what it is called, what stands in it, and how it is saved. */
export type Cell = { label: string; text: string; save?: (text: string) => Promise<unknown> };

/** A cell of a grid, edited where it stands: Enter, F2 or a double click begins, Enter saves, Escape leaves it. */
export function EditableCell({
  name,
  cell,
  plain,
  reachable,
  children,
}: {
  name: string;
  cell: Cell;
  /** Inside a cell of its own: it is no cell itself. */
  plain?: boolean;
  /** By the tab key; in a grid the arrows get to it. */
  reachable?: boolean;
  children?: React.ReactNode;
}) {
  const role = plain ? undefined : "gridcell";
  const [typed, setTyped] = useState<string | null>(null);
  const box = useRef<HTMLSpanElement>(null);
  const edit = () => cell.save && setTyped(cell.text);
  const leave = (save: boolean) => {
    const text = typed?.trim();
    setTyped(null);
    if (save && text !== undefined && text !== cell.text) cell.save?.(text).catch(sayFailure);
  };
  if (typed !== null)
    return (
      <span role={role} className="min-w-0">
        <input
          autoFocus
          aria-label={cell.label}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => leave(true)}
          onKeyDown={(event) => {
            event.stopPropagation();
            if (event.key !== "Enter" && event.key !== "Escape") return;
            event.preventDefault();
            leave(event.key === "Enter");
            requestAnimationFrame(() => box.current?.focus());
          }}
          className="h-8 w-full rounded border border-edge bg-sheet px-1.5 text-[15px]"
        />
      </span>
    );
  return (
    <span
      ref={box}
      role={role}
      data-cell={name}
      tabIndex={reachable ? 0 : -1}
      aria-readonly={plain ? undefined : !cell.save}
      title={cell.text}
      onDoubleClick={(event) => {
        if (!cell.save) return;
        event.stopPropagation();
        edit();
      }}
      onKeyDown={(event) => {
        if (event.key === "F2" || event.key === "Enter") {
          event.preventDefault();
          event.stopPropagation();
          edit();
        }
      }}
      className={`block truncate py-2.5 text-[15px] outline-offset-[-1px] ${name === "title" ? "font-semibold" : name === "context" ? "font-serif" : "text-quiet"} ${cell.save ? "cursor-text" : ""}`}
    >
      {children ?? cell.text}
    </span>
  );
}
