"use client";

import { memo } from "react";
import { Cover } from "../../parts/cover";
import { type ItemState, useItemFrame } from "../item/item-frame";
import { ContextLine } from "../item/context-line";
import { ItemMenu } from "../item/item-menu";
import { Tick } from "../item/tick";
import { ItemPicture, ItemState as StateWords, ItemSub } from "../item/item-words";

type Props = ItemState & { role: "row" | "gridcell" };

/** An item with its picture; without one a piece of its own cloth stands in. */
export const ItemCard = memo(function ItemCard({ role, ...state }: Props) {
  const { item, opened, reachable } = state;
  const { frame, shade } = useItemFrame(state, role);
  const card = (
    <>
      {item.resource.picture ? (
        <ItemPicture item={item} className="aspect-[16/9] w-full rounded-b-none border-0" />
      ) : (
        <Cover
          threads={[
            {
              kind: item.resource.kind,
              minutes: item.resource.minutes,
              tag: item.resource.tags[0] ?? null,
            },
          ]}
          tags={item.resource.tags}
          width={228}
          height={128}
          className="aspect-[16/9] w-full rounded-b-none"
        />
      )}
      <div className="flex flex-1 gap-1 p-3">
        <div className="min-w-0 flex-1">
          <ContextLine
            state={state}
            lead={
              <span className="mr-1.5 font-semibold text-quiet" aria-hidden>
                {state.choosing ? <Tick on={state.selected} /> : state.number}
              </span>
            }
            className={`clamp-3 font-serif leading-snug break-words text-base`}
          />
          <ItemSub item={item} plain={state.writing} />
          <StateWords item={item} />
        </div>
        <span className="-mt-1.5 -mr-1.5">
          <ItemMenu item={item} opened={opened} reachable={reachable} />
        </span>
      </div>
    </>
  );
  return (
    <div
      {...frame}
      className={`flex h-full flex-col overflow-hidden rounded-md border border-line bg-sheet outline-offset-[-2px] ${shade}`}
    >
      {role === "row" ? (
        <div role="gridcell" className="contents">
          {card}
        </div>
      ) : (
        card
      )}
    </div>
  );
});
