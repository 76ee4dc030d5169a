"use client";

import { useVirtualizer } from "@tanstack/react-virtual";
import { memo, useRef, useState } from "react";
import type { BroughtPlace } from "@/core/imports/brought";
import type { TagSeparator } from "@/core/formats/imported";
import { splitTags } from "@/core/imports/split-tags";
import { useAlways } from "../parts/use-always";
import type { PreviewLine } from "./preview-line";

type Props = {
  lines: PreviewLine[];
  places: BroughtPlace[];
  separator: TagSeparator;
  onEdit: (at: number, fields: Partial<PreviewLine>) => void;
};

const ROW = 58;

/** The lines of an import before it is done: each can be changed or left out. Only those in sight are drawn. */
export function ImportLines({ lines, places, separator, onEdit }: Props) {
  const scroller = useRef<HTMLDivElement>(null);
  const [editing, setEditing] = useState<number | null>(null);
  const rows = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    measureElement: (element) => element.getBoundingClientRect().height,
    rangeExtractor: useAlways(editing ?? -1),
    overscan: 8,
  });
  return (
    <div
      ref={scroller}
      className="max-h-[44vh] min-h-24 overflow-y-auto rounded-md border border-line"
      role="list"
      aria-label="What was found"
      tabIndex={0}
    >
      <div style={{ height: rows.getTotalSize(), position: "relative" }} role="presentation">
        {rows.getVirtualItems().map(({ index, start }) => (
          <div
            key={index}
            role="listitem"
            ref={rows.measureElement}
            data-index={index}
            className="absolute inset-x-0 border-b border-line px-3 py-1.5"
            style={{ transform: `translateY(${start}px)` }}
          >
            <Line
              line={lines[index]!}
              at={index}
              place={placeOf(places, lines[index]!.place)}
              separator={separator}
              editing={editing === index}
              onEditing={setEditing}
              onEdit={onEdit}
            />
          </div>
        ))}
      </div>
    </div>
  );
}

function placeOf(places: BroughtPlace[], place: number | null): string {
  const names: string[] = [];
  for (let at = place; at !== null;) {
    const one: BroughtPlace | undefined = places[at];
    // The place of a list without a name is the open collection itself.
    if (one && one.title !== "Without a name") names.unshift(one.title);
    at = one?.parent ?? null;
  }
  return names.join(" / ");
}

type LineProps = {
  line: PreviewLine;
  at: number;
  place: string;
  separator: TagSeparator;
  editing: boolean;
  onEditing: (at: number | null) => void;
  onEdit: Props["onEdit"];
};

const Line = memo(function Line({ line, at, place, separator, editing, onEditing, onEdit }: LineProps) {
  const title = line.title || line.note.slice(0, 80) || line.address;
  const tags = line.tagText ? splitTags(line.tagText, separator) : [];
  return (
    <div className="flex items-start gap-3">
      <input
        type="checkbox"
        checked={!line.out}
        disabled={line.state === "wrong"}
        aria-label={`Bring in ${title}`}
        onChange={(event) => onEdit(at, { out: !event.target.checked })}
        className="mt-1.5 size-4 accent-[var(--accent)]"
      />
      <div className="min-w-0 flex-1">
        {editing ? (
          <div className="flex flex-col gap-1 py-1">
            <input
              className="h-9 rounded-md border border-edge bg-sheet px-2"
              aria-label="Title"
              defaultValue={line.title}
              autoFocus
              onBlur={(event) => onEdit(at, { title: event.target.value })}
              onKeyDown={(event) =>
                event.key === "Enter" && (event.preventDefault(), event.currentTarget.blur(), onEditing(null))
              }
            />
            <input
              className="h-9 rounded-md border border-edge bg-sheet px-2"
              aria-label="Web address"
              aria-invalid={line.state === "wrong"}
              defaultValue={line.address}
              onBlur={(event) =>
                event.target.value !== line.address && onEdit(at, { address: event.target.value })
              }
              onKeyDown={(event) =>
                event.key === "Enter" && (event.preventDefault(), event.currentTarget.blur(), onEditing(null))
              }
            />
          </div>
        ) : (
          <>
            <p className="truncate">{title}</p>
            <p className="truncate text-sm text-quiet">
              {line.state === "wrong" && <span className="text-stop">No web address. </span>}
              {line.state === "known" && <span className="text-warn">Here already. </span>}
              {[
                place,
                line.title && line.address.replace(/^https?:\/\/(www\.)?/, ""),
                line.addedAt?.slice(0, 10),
                tags.map((tag) => `#${tag}`).join(" "),
                line.context && `“${line.context.replace(/\s+/g, " ").slice(0, 120)}”`,
              ]
                .filter(Boolean)
                .join(" · ")}
            </p>
          </>
        )}
      </div>
      <button
        type="button"
        className="mt-1 shrink-0 rounded-md px-2 py-1 text-sm text-accent hover:bg-wash"
        aria-label={`${editing ? "Done with" : "Change"} ${title}`}
        onClick={() => onEditing(editing ? null : at)}
      >
        {editing ? "Done" : "Change"}
      </button>
    </div>
  );
});
