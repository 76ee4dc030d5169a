"use client";

import { Key } from "../../parts/key";
import { KEY_BUTTON, KeyButton } from "../../parts/key-button";
import { KEYS } from "../../shell/commands";
import { originalLink } from "../../talk/originals";
import { useBench } from "../state/bench-context";
import type { ItemState } from "./item-frame";

/** The few things done most often with the chosen item, as buttons with their keys; all are in its menu. */
export function ItemKeys({ state: { item, only, writing } }: { state: ItemState }) {
  const { arranges, brings, loose, commands } = useBench();
  if (!only || loose) return null;
  if (writing)
    return (
      <p className="mt-1 -ml-1.5 flex flex-wrap gap-x-1">
        <Press keys="Enter" onClick={() => commands.writeNext(item.id)}>
          and on to the next
        </Press>
        <Press keys="Esc" onClick={() => commands.stopWriting(item.id, true)}>
          done
        </Press>
      </p>
    );
  return (
    <p className="mt-1 -ml-1.5 flex flex-wrap gap-x-1 max-sm:hidden">
      {arranges && item.context && (
        <Press keys={KEYS.context} onClick={() => commands.write(item.id)}>
          why it stands here
        </Press>
      )}
      {brings && (
        <Press keys={KEYS.tag} onClick={() => commands.toggle(item.id, "tags")}>
          tag
        </Press>
      )}
      <Press keys={KEYS.open} onClick={() => commands.toggle(item.id)}>
        details
      </Press>
      <a {...originalLink(item.resource)} tabIndex={-1} className={KEY_BUTTON}>
        <Key>{KEYS.original}</Key> open
      </a>
      {arranges && (
        <Press keys={KEYS.moveTo} onClick={() => commands.ask("move", item.id)}>
          move
        </Press>
      )}
    </p>
  );
}

/** The row has the focus, and its keys do the same; what is being written keeps the focus. */
const Press = (props: React.ComponentProps<typeof KeyButton>) => (
  <KeyButton tabIndex={-1} onMouseDown={(event) => event.preventDefault()} {...props} />
);
