"use client";

import { MenuItem } from "../../parts/menu";
import { KEYS } from "../../shell/commands";
import { useBench } from "../state/bench-context";

/** What can be done with the place of an item, or of a text between items. */
export function PlaceEntries({ id }: { id: string }) {
  const { commands } = useBench();
  return (
    <>
      <MenuItem onSelect={() => commands.step(id, -1)} keys="Alt ↑">
        Move up
      </MenuItem>
      <MenuItem onSelect={() => commands.step(id, 1)} keys="Alt ↓">
        Move down
      </MenuItem>
      <MenuItem stop onSelect={() => commands.remove(id)} keys={KEYS.remove}>
        Take out
      </MenuItem>
    </>
  );
}
