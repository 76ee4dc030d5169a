"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import type { SheetItem } from "@/core/handouts/sheet-view";
import type { Answer } from "@/services/registry";
import { ask, call } from "../talk/call";
import { deliver, delivered, deliverFor } from "../talk/deliver";
import { newId } from "../talk/ids";
import { sayFailure } from "../talk/say-failure";

type Shown = Answer<"sheets.read">;
/** What is written at an item. */
export type SheetText = "context" | "answer" | "note";

/** So often it is asked whether something was corrected, or written on another device, in milliseconds. */
const AGAIN = 20_000;

/** A handout in the hands of its learner: what it shows, and how something is done in it. */
export function useSheet(card: string, handout: string, first: Shown) {
  const client = useQueryClient();
  const key = ["sheet", handout];
  const shown = useQuery({
    queryKey: key,
    queryFn: () => ask("sheets.read", { card, handout }),
    initialData: first,
    refetchInterval: AGAIN,
    refetchOnWindowFocus: true,
  }).data as Shown;
  useEffect(() => {
    // What an earlier visit left behind is sent first.
    deliverFor(`card ${card}`);
    void call("sheets.open", { card, handout }).catch(sayFailure);
  }, [card, handout]);
  const again = () => client.invalidateQueries({ queryKey: key });
  /** An answer that was put together before what is done here arrived would take it back. */
  const showing = (id: string, change: (item: SheetItem) => Partial<SheetItem>) => {
    void client.cancelQueries({ queryKey: key });
    client.setQueryData<Shown>(
      key,
      (now) =>
        now &&
        ({
          ...now,
          parts: now.parts.map((part) => ({
            ...part,
            sections: part.sections.map((section) => ({
              ...section,
              items: section.items.map((item) =>
                item.id === id ? { ...item, ...change(item as SheetItem) } : item,
              ),
            })),
          })),
        } as Shown),
    );
  };
  return {
    shown,
    tick: (item: string, done: boolean) => {
      showing(item, () => ({ done }));
      void deliver("sheets.write", { card, handout, item, done }, `sheet:${handout}:${item}:done`, "a tick")
        .catch(sayFailure)
        .finally(again);
    },
    write: async (item: string, field: SheetText, text: string, base: string[]) => {
      const input = { card, handout, item, [field]: text, base: { [field]: base } };
      const answer = await deliver("sheets.write", input, `sheet:${handout}:${item}:${field}`, text);
      // Words that were merged stand there as they were merged.
      if (field === "context") void again();
      else showing(item, () => ({ [field]: answer.item[field] }));
      return answer;
    },
    /** Of words that were changed since: theirs stay, or the new ones are taken. */
    decide: (item: string, own: boolean) =>
      void call("sheets.write", { card, handout, item, ...(own ? { keeps: true } : { context: "" }) })
        .then(again)
        .catch(sayFailure),
    find: async (section: string | null, typed: { address: string; title: string; context: string }) => {
      await call("sheets.add-find", { card, handout, find: newId(), section, ...typed });
      await again();
    },
    editFind: (find: string, context: string, base: string[]) =>
      deliver(
        "sheets.edit-find",
        { card, handout, find, context, base: { context: base } },
        `sheet:${handout}:${find}:context`,
        context,
      ),
    takeFind: (find: string, gone: boolean) =>
      call("sheets.edit-find", { card, handout, find, gone }).then(again),
    // What was just written goes before it: nothing is taken any more once it is handed in.
    handIn: async (handedIn: boolean) => {
      await delivered(`sheet:${handout}:`);
      await call("sheets.hand-in", { card, handout, handedIn });
      await again();
    },
  };
}
export type Sheet = ReturnType<typeof useSheet>;
