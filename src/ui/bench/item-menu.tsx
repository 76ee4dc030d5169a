"use client";

import { MoreHorizontal } from "lucide-react";
import { originalOf } from "../parts/original";
import { Menu, MenuItem, MenuLine } from "../parts/menu";
import { KEYS } from "../shell/commands";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { useBench } from "./bench-context";
import type { Item } from "./use-items";

/** What can be done with one item, with the keys that do the same. */
export function ItemMenu({ item, opened, reachable }: { item: Item; opened: boolean; reachable: boolean }) {
  const { collection, arranges, brings, deeds } = useBench();
  const { resource } = item;
  const title = item.heading || resource.title;
  return (
    <Menu
      align="end"
      button={
        <button
          type="button"
          aria-label={`What to do with ${title}`}
          tabIndex={reachable ? 0 : -1}
          className="flex size-9 items-center justify-center rounded-md text-quiet hover:bg-sheet hover:text-ink"
        >
          <MoreHorizontal size={18} aria-hidden />
        </button>
      }
    >
      <MenuItem onSelect={() => deeds.toggle(item.id)} keys={KEYS.open.keys}>
        {opened ? "Close details" : "Details"}
      </MenuItem>
      <MenuItem href={originalOf(resource)} keys={KEYS.original.keys}>
        Open the original
      </MenuItem>
      <MenuItem href={`/read/${resource.id}`}>Read it here</MenuItem>
      {arranges && (
        <>
          <MenuLine />
          <MenuItem onSelect={() => deeds.toggle(item.id, "context")} keys={KEYS.context.keys}>
            Write the context line
          </MenuItem>
          <MenuItem onSelect={() => deeds.toggle(item.id, "heading")} keys={KEYS.heading.keys}>
            Write a heading for here
          </MenuItem>
        </>
      )}
      {brings && (
        <MenuItem onSelect={() => deeds.toggle(item.id, "tags")} keys={KEYS.tag.keys}>
          Tag
        </MenuItem>
      )}
      {brings && (
        <MenuItem onSelect={() => deeds.ask("kind", item.id)} keys={KEYS.kind.keys}>
          Kind
        </MenuItem>
      )}
      {brings && resource.address && (
        <MenuItem onSelect={() => deeds.fetchAgain(resource.id)}>Fetch again</MenuItem>
      )}
      {arranges && resource.kind === "note" && (
        <MenuItem onSelect={() => deeds.setLook(item.id, "text")}>Let it stand as text</MenuItem>
      )}
      {arranges && (
        <>
          <MenuLine />
          <MenuItem onSelect={() => deeds.ask("move", item.id)} keys={KEYS.moveTo.keys}>
            Move to …
          </MenuItem>
          <MenuItem onSelect={() => deeds.ask("copy", item.id)} keys={KEYS.copyTo.keys}>
            Place in … too
          </MenuItem>
          {resource.picture && (
            <MenuItem
              onSelect={() =>
                void call("collections.edit", { collection, coverHash: resource.picture! }).catch(sayFailure)
              }
            >
              Make its picture the cover
            </MenuItem>
          )}
          <MenuItem onSelect={() => deeds.step(item.id, -1)} keys="Alt ↑">
            Move up
          </MenuItem>
          <MenuItem onSelect={() => deeds.step(item.id, 1)} keys="Alt ↓">
            Move down
          </MenuItem>
          <MenuItem onSelect={() => deeds.remove(item.id)} keys={KEYS.remove.keys} stop>
            Take out
          </MenuItem>
        </>
      )}
    </Menu>
  );
}
