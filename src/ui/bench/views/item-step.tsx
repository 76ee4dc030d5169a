"use client";

import { memo } from "react";
import { type ItemState, useItemFrame } from "../item/item-frame";
import { ContextLine } from "../item/context-line";
import { ItemKeys } from "../item/item-keys";
import { ItemMenu } from "../item/item-menu";
import { Tick } from "../item/tick";
import { ItemPicture, ItemState as StateWords, ItemSub } from "../item/item-words";

/** An item as a step learners go through: its number large, the instruction first, a stitch leading to the next. */
export const ItemStep = memo(function ItemStep(state: ItemState) {
  const { item, number, opened, reachable } = state;
  const { frame, shade } = useItemFrame(state);
  return (
    <div
      {...frame}
      className={`grid grid-cols-[3.5rem_minmax(0,1fr)_auto] gap-x-4 rounded-md py-3 outline-offset-[-2px] ${shade}`}
    >
      <div role="gridcell" className="contents">
        <div className="flex flex-col items-center" aria-hidden>
          <span
            data-number
            className="flex size-10 items-center justify-center rounded-full border-2 border-accent font-serif text-lg font-semibold text-accent select-none"
          >
            {state.choosing ? <Tick on={state.selected} /> : number}
          </span>
          <span className="seam mt-2 w-0.5 flex-1" />
        </div>
        <div className="min-w-0 pt-1">
          <ContextLine state={state} className="font-serif text-xl leading-snug" />
          <ItemSub item={item} plain={state.writing} />
          <StateWords item={item} />
          <ItemKeys state={state} />
          <ItemPicture item={item} className="mt-2 aspect-[16/9] h-36 w-auto" />
        </div>
        <ItemMenu item={item} opened={opened} reachable={reachable} />
      </div>
    </div>
  );
});
