"use client";

import dynamic from "next/dynamic";
import { RowMenu } from "../../parts/menu";
import type { Item } from "../state/types";

const ItemMenuEntries = dynamic(() => import("./item-menu-entries").then((m) => m.ItemMenuEntries), {
  ssr: false,
});

/** The menu of one item. */
export function ItemMenu({ item, opened, reachable }: { item: Item; opened: boolean; reachable: boolean }) {
  return (
    <RowMenu label={`What to do with ${item.heading || item.resource.title}`} reachable={reachable}>
      <ItemMenuEntries item={item} opened={opened} />
    </RowMenu>
  );
}
