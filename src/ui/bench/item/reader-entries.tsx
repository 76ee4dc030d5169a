"use client";

import { pointedTo } from "@/core/uses/portfolio";
import { MenuItem, MenuLine } from "../../parts/menu";
import { copyLink } from "../../talk/copy-link";
import { useBench } from "../state/bench-context";
import type { Item } from "../state/types";

/** What concerns readers of an item: whether they see it, and the address that leads them to it. */
export function ReaderEntries({ item }: { item: Item }) {
  const { arranges, readers, commands } = useBench();
  if (!arranges && !readers) return null;
  return (
    <>
      <MenuLine />
      {readers && item.forReaders && (
        <MenuItem
          onSelect={() => void copyLink(item.heading || item.resource.title, addressFor(readers, [item.id]))}
        >
          Copy its address for readers
        </MenuItem>
      )}
      {arranges && (
        <MenuItem onSelect={() => commands.setForReaders(item.id, !item.forReaders)}>
          {item.forReaders ? "Keep it from readers" : "Let readers see it"}
        </MenuItem>
      )}
      {arranges && (item.shownLive || leadsToCollection(item.resource.address)) && (
        <MenuItem onSelect={() => commands.showTheirs(item.id, !item.shownLive)}>
          {item.shownLive ? "Give readers the link alone" : "Show theirs here, live"}
        </MenuItem>
      )}
      {arranges && item.resource.address && !item.shownLive && (
        <MenuItem onSelect={() => commands.giveCopy(item.id, !item.givesCopy)}>
          {item.givesCopy ? "Give readers the original alone" : "Give readers the reading copy, too"}
        </MenuItem>
      )}
    </>
  );
}

/** Whether an address is one at which a collection of this Hobbin is read. */
const leadsToCollection = (address: string): boolean => pointedTo(address, location.origin)?.isWhole ?? false;

/** The address of the readers' page that leads to these items on it. */
export const addressFor = (path: string, ids: readonly string[]): string =>
  `${location.origin}${path}#${ids.map((id) => `i-${id}`).join("&")}`;
