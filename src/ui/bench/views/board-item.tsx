"use client";

import { memo } from "react";
import { sayMinutes } from "@/core/text/minutes";
import { KindMark } from "../../parts/kind";
import { ContextLine } from "../item/context-line";
import { type ItemState, useItemFrame } from "../item/item-frame";
import { ItemKeys } from "../item/item-keys";
import { ItemMenu } from "../item/item-menu";
import { ItemState as StateWords } from "../item/item-words";
import { Tick } from "../item/tick";
import { NewsWord } from "../news/news-word";

/** An item on the line of its section: the curator's sentence first, what it is beneath, its kind on the line. */
export const BoardItem = memo(function BoardItem(state: ItemState) {
  const { item, opened, reachable, choosing, selected } = state;
  const { frame, shade } = useItemFrame(state, "row");
  const { resource } = item;
  const about = [
    resource.siteName || resource.host || resource.file,
    resource.minutes && sayMinutes(resource.minutes),
  ];
  return (
    <div
      {...frame}
      className={`relative grid grid-cols-[26px_minmax(0,1fr)_auto] rounded-md outline-offset-[-2px] ${shade}`}
    >
      <div role="gridcell" className="contents">
        <span className="flex justify-center pt-3">
          <span data-number className="h-fit bg-sheet py-1 select-none">
            {choosing ? <Tick on={selected} /> : <KindMark kind={resource.kind} size={12} />}
          </span>
        </span>
        <div className="min-w-0 border-b border-line py-3 pl-1">
          <ContextLine state={state} className="font-serif text-[17px] leading-snug break-words" />
          {item.context && !state.writing && (
            <p className="mt-1 text-[15px] leading-snug font-semibold break-words">
              {item.heading || resource.title}
            </p>
          )}
          <p className="mt-0.5 text-sm break-words text-quiet">
            <NewsWord item={item.id} behind=" · " />
            {about.filter(Boolean).join(" · ")}
          </p>
          <StateWords item={item} />
          {state.writing && <ItemKeys state={state} />}
        </div>
        <span className="pt-1.5">
          <ItemMenu item={item} opened={opened} reachable={reachable} />
        </span>
      </div>
    </div>
  );
});
