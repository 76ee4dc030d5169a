"use client";

import { useBench } from "../state/bench-context";
import type { ItemState } from "./item-frame";
import { SavedText } from "../../parts/saved-text";

/** The context line of an item as a field, in its row: saved as it is typed, Enter goes on to the next item's. */
export function LineWriter({ state: { item }, className }: { state: ItemState; className: string }) {
  const { commands } = useBench();
  return (
    <div
      onBlur={(event) => {
        const box = event.currentTarget;
        // Where one is asked whose words shall stand, one goes on; so one does when another window comes to the front.
        requestAnimationFrame(() => {
          const stays = box.contains(document.activeElement) || box.querySelector("[role=alert]");
          if (!stays) commands.stopWriting(item.id);
        });
      }}
      className="pb-1"
    >
      <SavedText
        lines
        hideLabel
        autoFocus
        label="Context: why it stands here"
        placeholder="Why does it stand here?"
        value={item.context}
        maxLength={4000}
        inputClass={`${className} rounded-sm! border-accent! px-2! py-1! font-serif`}
        onSave={(text, base) => commands.edit(item.id, "context", text, base)}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.nativeEvent.isComposing) return;
          if (event.key === "Escape") commands.stopWriting(item.id, true);
          else if (event.key === "Enter" && !event.shiftKey) commands.writeNext(item.id);
          else return;
          event.preventDefault();
        }}
      />
    </div>
  );
}
