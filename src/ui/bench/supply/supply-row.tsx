"use client";

import { Link } from "../../parts/link";
import type { Supplied } from "../state/types";
import { useDraggable } from "@dnd-kit/core";
import { memo } from "react";
import { sayProblemShort } from "@/core/page/facts";
import { sayMinutes } from "@/core/text/minutes";
import { KindMark } from "../../parts/kind";
import { Key } from "../../parts/key";
import { KEY_BUTTON, KeyButton } from "../../parts/key-button";
import { originalLink } from "../../talk/originals";

type Props = {
  resource: Supplied;
  /** The one the keys act on. */
  current: boolean;
  /** Chosen, maybe with others. */
  chosen: boolean;
  /** All that are chosen, when this is among them. */
  along: Supplied[] | null;
  here: boolean;
  onChoose: (id: string, how: "only" | "toggle" | "range" | "keep") => void;
  onPlace?: (resources: Supplied[]) => void;
  onAway?: (resources: Supplied[]) => void;
  onUse?: (resources: Supplied[]) => void;
  /** What is said of it besides. */
  said?: string | null;
};

/** Something on the supply side: dragged over, or placed by a key. */
export const SupplyRow = memo(function SupplyRow({
  resource,
  current,
  chosen,
  along,
  here,
  onChoose,
  onPlace,
  onAway,
  onUse,
  said,
}: Props) {
  const all = along ?? [resource];
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: `supply:${resource.id}`,
    data: { resources: all },
    disabled: !onPlace,
  });
  const about = [
    resource.siteName || resource.host,
    resource.minutes && sayMinutes(resource.minutes),
    here && "stands here",
    said,
  ]
    .filter(Boolean)
    .join(" · ");
  return (
    <li
      ref={setNodeRef}
      {...listeners}
      data-supply={resource.id}
      className={`border-b border-line ${chosen ? "bg-wash" : "hover:bg-sheet"} ${current ? "shadow-[inset_4px_0_0_var(--accent)]" : ""} ${isDragging ? "opacity-40" : ""}`}
    >
      <button
        type="button"
        tabIndex={current ? 0 : -1}
        aria-pressed={chosen}
        onClick={(event) =>
          onChoose(resource.id, event.shiftKey ? "range" : event.ctrlKey || event.metaKey ? "toggle" : "only")
        }
        onFocus={() => onChoose(resource.id, "keep")}
        onDoubleClick={() => onPlace?.([resource])}
        className="flex w-full gap-3 px-4 py-2.5 text-left outline-offset-[-3px]"
      >
        <KindMark kind={resource.kind} />
        <span className="min-w-0 flex-1">
          {resource.lent?.context && (
            <span className="clamp-2 font-serif leading-snug">{resource.lent.context}</span>
          )}
          <span className="clamp-2 leading-snug font-semibold">{resource.title}</span>
          <span className="block truncate text-sm text-quiet">{about}</span>
          {resource.fetchState === "waiting" && (
            <span className="block text-sm text-accent">Reading the page …</span>
          )}
          {resource.fetchProblem && (
            <span className="block text-sm text-warn">{sayProblemShort(resource.fetchProblem).words}</span>
          )}
        </span>
      </button>
      {current && (onPlace || onAway) && (
        <div className="flex flex-wrap gap-x-1 pb-2 pl-[46px]">
          {onPlace && (
            <KeyButton keys="→" onClick={() => onPlace(all)}>
              {all.length > 1 ? `place ${all.length}` : "place"}
            </KeyButton>
          )}
          <a {...originalLink(resource)} className={KEY_BUTTON}>
            <Key>O</Key> open
          </a>
          {!resource.lent && (
            <Link href={`/read/${resource.id}`} className={KEY_BUTTON}>
              read here
            </Link>
          )}
          {onUse && (
            <KeyButton keys="U" onClick={() => onUse(all)}>
              still to use
            </KeyButton>
          )}
          {onAway && (
            <KeyButton keys="←" onClick={() => onAway(all)}>
              put away
            </KeyButton>
          )}
        </div>
      )}
    </li>
  );
});
