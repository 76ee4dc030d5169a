"use client";

import { memo, useEffect } from "react";
import { RowMenu, MenuItem, MenuLine } from "../../parts/menu";
import { KEYS } from "../../shell/commands";
import { useBench } from "../state/bench-context";
import { type ItemState, useItemFrame } from "./item-frame";
import { SavedText } from "../../parts/saved-text";
import { NotForReaders } from "./item-words";
import { PlaceEntries } from "./place-entries";
import { ReaderEntries } from "./reader-entries";

/** A note that stands as text between the items: a heading, if it has one, and its words. Enter edits it in place. */
export const TextBetween = memo(function TextBetween({ state }: { state: ItemState }) {
  const { item, opened, reachable } = state;
  const { arranges, brings, commands } = useBench();
  const { frame, shade } = useItemFrame(state);
  const left = Boolean(item.draft) && !opened;
  useEffect(() => {
    if (left) commands.dropText(item.id);
  }, [left, commands, item.id]);
  return (
    <div
      {...frame}
      aria-label={`Text: ${item.heading || item.resource.description.slice(0, 80)}`}
      className={`grid grid-cols-[minmax(0,1fr)_36px] rounded-md py-2 pl-2 outline-offset-[-2px] sm:pl-[42px] ${shade}`}
    >
      <div role="gridcell" className="contents">
        {opened && arranges ? (
          <div className="flex max-w-prose flex-col gap-2">
            {!item.draft && (
              <SavedText
                label="Heading"
                placeholder="None"
                value={item.heading}
                maxLength={300}
                onSave={(text, base) => commands.edit(item.id, "heading", text, base)}
              />
            )}
            <SavedText
              lines
              autoFocus
              label="Text"
              value={item.resource.description}
              readOnly={!brings}
              maxLength={4000}
              placeholder="What leads on from here"
              onSave={(text, base) =>
                item.draft
                  ? commands.keepText(item, text, base)
                  : text.trim()
                    ? commands.mend(item, "description", text, base)
                    : Promise.resolve()
              }
            />
          </div>
        ) : (
          <div className="max-w-prose">
            {item.heading && <p className="text-[17px] font-semibold">{item.heading}</p>}
            <p className="font-serif text-base whitespace-pre-line text-quiet">{item.resource.description}</p>
            {!item.forReaders && <NotForReaders />}
          </div>
        )}
        {arranges ? (
          <RowMenu label="What to do with this text" reachable={reachable}>
            <MenuItem onSelect={() => commands.toggle(item.id)} keys={KEYS.open}>
              {opened ? "Done" : "Write"}
            </MenuItem>
            <MenuItem onSelect={() => commands.setLook(item.id, "item")}>Let it stand as an item</MenuItem>
            <MenuLine />
            <PlaceEntries id={item.id} />
            <ReaderEntries item={item} />
          </RowMenu>
        ) : (
          <span />
        )}
      </div>
    </div>
  );
});
