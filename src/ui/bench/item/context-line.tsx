"use client";

import { KEYS } from "../../shell/commands";
import { Key } from "../../parts/key";
import { useBench } from "../state/bench-context";
import type { ItemState } from "./item-frame";
import { LineWriter } from "./line-writer";

/**
 * The first line of an item: why it stands here, in the curator's words; without any its name. The chosen one shows where
 * the words would stand, and they are written there: Enter goes on to the next item's, Escape leaves.
 */
export function ContextLine({
  state,
  className,
  lead,
}: {
  state: ItemState;
  className: string;
  /** What stands before the words, where an item has no column for its number. */
  lead?: React.ReactNode;
}) {
  const { item, only, opened, writing } = state;
  const { arranges, loose, commands } = useBench();
  const name = (
    <p className={`${className} font-semibold`}>
      {lead}
      {item.heading || item.resource.title}
    </p>
  );
  if (writing)
    return (
      <>
        <LineWriter state={state} className={className} />
        {name}
      </>
    );
  if (item.context)
    return (
      <p
        className={`${className} whitespace-pre-line`}
        // Chosen, its words are written by one more press.
        onDoubleClick={(event) => {
          if (!arranges || loose) return;
          event.stopPropagation();
          commands.write(item.id);
        }}
      >
        {lead}
        {item.context}
      </p>
    );
  return (
    <>
      {only && arranges && !loose && !opened && (
        <button
          type="button"
          tabIndex={-1}
          onClick={() => commands.write(item.id)}
          className={`${className} flex w-full cursor-text items-center gap-2 text-left text-quiet italic hover:text-ink`}
        >
          Why does it stand here? <Key>{KEYS.context}</Key>
        </button>
      )}
      {name}
    </>
  );
}
