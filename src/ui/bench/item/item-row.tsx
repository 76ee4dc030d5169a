"use client";

import { memo } from "react";
import { type ItemState, useItemFrame } from "./item-frame";
import { ContextLine } from "./context-line";
import { ItemKeys } from "./item-keys";
import { ItemMenu } from "./item-menu";
import { Tick } from "./tick";
import { ItemPicture, ItemState as StateWords, ItemSub } from "./item-words";

/** One item in a row: the curator's sentence first, what it is beneath. */
export const ItemRow = memo(function ItemRow(state: ItemState) {
  const { item, number, reachable, opened } = state;
  const { frame, shade } = useItemFrame(state);
  return (
    <div
      {...frame}
      className={`grid grid-cols-[2rem_minmax(0,1fr)_auto] gap-x-2.5 border-b border-line py-2.5 pr-1 outline-offset-[-2px] sm:grid-cols-[2rem_minmax(0,1fr)_92px_36px] ${shade}`}
    >
      <div role="gridcell" className="contents">
        <span
          data-number
          className="cursor-default pt-0.5 text-right font-serif text-[15px] font-semibold text-quiet select-none"
          aria-hidden
        >
          {state.choosing ? <Tick on={state.selected} /> : number}
        </span>
        <div className="min-w-0">
          <ContextLine state={state} className="font-serif text-[17px] leading-snug" />
          <ItemSub item={item} plain={state.writing} />
          <StateWords item={item} />
          <ItemKeys state={state} />
        </div>
        <ItemPicture item={item} className="h-14 w-[92px] max-sm:hidden" />
        <ItemMenu item={item} opened={opened} reachable={reachable} />
      </div>
    </div>
  );
});
