"use client";

import { MenuItem, MenuLine, useLateEntries } from "../../parts/menu";
import { KEYS } from "../../shell/commands";
import { call } from "../../talk/call";
import { noteUse, originalOf } from "../../talk/originals";
import { sayFailure } from "../../talk/say-failure";
import { useBench } from "../state/bench-context";
import { PlaceEntries } from "./place-entries";
import { ReaderEntries } from "./reader-entries";
import type { Item } from "../state/types";

/** What can be done with one item, with the keys that do the same. Loaded when the first menu opens. */
export function ItemMenuEntries({ item, opened }: { item: Item; opened: boolean }) {
  useLateEntries();
  const { collection, arranges: mayArrange, brings, loose, commands } = useBench();
  // What is of a place is no matter of a thing of the catalogue.
  const arranges = mayArrange && !loose;
  const { resource } = item;
  return (
    <>
      <MenuItem onSelect={() => commands.toggle(item.id)} keys={KEYS.open}>
        {opened ? "Close details" : "Details"}
      </MenuItem>
      <MenuItem href={originalOf(resource)} onSelect={() => noteUse(resource.id)} keys={KEYS.original}>
        Open the original
      </MenuItem>
      <MenuItem href={`/read/${resource.id}${loose ? "" : `?in=${item.id}`}`}>Read it here</MenuItem>
      {!loose && item.look === "item" && (
        <MenuItem onSelect={() => commands.ask("cite", item.id)}>Cite …</MenuItem>
      )}
      {!loose && (
        <MenuItem onSelect={() => commands.toggle(item.id, "talk")} keys={KEYS.talk}>
          Comment
        </MenuItem>
      )}
      {arranges && (
        <>
          <MenuLine />
          <MenuItem onSelect={() => commands.write(item.id)} keys={KEYS.context}>
            Write the context line
          </MenuItem>
          <MenuItem onSelect={() => commands.toggle(item.id, "heading")} keys={KEYS.heading}>
            Write a heading for here
          </MenuItem>
        </>
      )}
      {brings && (
        <MenuItem
          onSelect={() => (loose ? commands.ask("tag", item.id) : commands.toggle(item.id, "tags"))}
          keys={KEYS.tag}
        >
          Tag
        </MenuItem>
      )}
      {brings && (
        <MenuItem onSelect={() => commands.ask("kind", item.id)} keys={KEYS.kind}>
          Kind
        </MenuItem>
      )}
      {brings && resource.address && (
        <MenuItem onSelect={() => commands.fetchAgain(resource.id)}>Fetch again</MenuItem>
      )}
      {mayArrange && loose && (
        <>
          <MenuLine />
          <MenuItem onSelect={() => commands.ask("copy", item.id)} keys={KEYS.moveTo}>
            Place in …
          </MenuItem>
          <MenuItem stop onSelect={() => commands.remove(item.id)} keys={KEYS.remove}>
            Delete
          </MenuItem>
        </>
      )}
      {arranges && resource.kind === "note" && (
        <MenuItem onSelect={() => commands.setLook(item.id, "text")}>Let it stand as text</MenuItem>
      )}
      {arranges && (
        <>
          <MenuLine />
          <MenuItem onSelect={() => commands.ask("move", item.id)} keys={KEYS.moveTo}>
            Move to …
          </MenuItem>
          <MenuItem onSelect={() => commands.ask("copy", item.id)} keys={KEYS.copyTo}>
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
          <PlaceEntries id={item.id} />
        </>
      )}
      {!loose && <ReaderEntries item={item} />}
    </>
  );
}
