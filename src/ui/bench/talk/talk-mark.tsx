"use client";

import { MessageSquareText } from "lucide-react";
import { KEYS } from "../../shell/commands";
import { useTalkCount } from "./use-talk";

/** How much is said about an item that is not settled; a press shows it. */
export function TalkMark({ id, onOpen }: { id: string; onOpen: () => void }) {
  const count = useTalkCount(id);
  if (!count) return null;
  return (
    <button
      type="button"
      // What chooses the item or draws it along is not meant.
      onPointerDown={(event) => event.stopPropagation()}
      onClick={(event) => {
        event.stopPropagation();
        onOpen();
      }}
      tabIndex={-1}
      aria-keyshortcuts={KEYS.talk}
      className="mt-1 flex h-7 items-center gap-1.5 rounded text-sm font-semibold text-accent hover:underline"
    >
      <MessageSquareText size={15} aria-hidden />
      {count} {count === 1 ? "comment" : "comments"}
    </button>
  );
}
