"use client";

import { useMemo, useRef } from "react";
import { tagChanges } from "@/core/tags/tag-name";
import type { Answer } from "@/services/registry";
import type { BenchCommands } from "../bench/state/bench-context";
import { goThroughCells } from "../parts/go-through-cells";
import { focusItem } from "../bench/state/use-item-keys";
import type { Selection } from "../bench/state/use-selection";
import { placeResources } from "../shell/place-resources";
import { sayDone } from "../shell/use-undo";
import { call } from "../talk/call";
import { saveResourceText } from "../talk/save-words";
import { sayFailure } from "../talk/say-failure";
import { openOriginals } from "../talk/originals";
import type { Asking, Item } from "../bench/state/types";

export type Found = Answer<"search.find">["results"][number];

/** A thing of the catalogue in the shape of an item, so that what acts on items acts on it; its id is the resource's. */
export const asItem = (found: Found): Item => ({
  id: found.id,
  section: null,
  position: "",
  heading: "",
  context: "",
  look: "item",
  forReaders: true,
  givesCopy: false,
  clipFrom: null,
  clipTo: null,
  askedOf: null,
  askedName: null,
  askedUntil: null,
  credit: null,
  shownLive: null,
  addedAt: found.createdAt,
  resource: found,
});

type State = {
  team: string;
  items: Item[];
  selection: Selection;
  again: () => void;
  ask: (asking: Asking) => void;
  go: (path: string) => void;
  toggle: (id: string) => void;
  /** Shows something of one thing at once. */
  change: (id: string, how: (item: Item) => Item) => void;
};

/** What can be done with things of the catalogue, and the keys that do it. */
export function useCatalogueCommands(state: State) {
  const now = useRef(state);
  // eslint-disable-next-line react-hooks/refs -- the commands always act on the newest state and never change themselves
  now.current = state;
  return useMemo(() => {
    const nothing = () => undefined;
    const done = (words: string, entry: string | null) => {
      now.current.again();
      sayDone(words, now.current.team, entry, now.current.again);
    };
    const along = (id: string) => {
      const { marked, chosen } = now.current.selection;
      return marked.has(id) ? chosen.map((item) => item.id) : [id];
    };
    const count = (ids: readonly string[]) => (ids.length === 1 ? "1 thing" : `${ids.length} things`);
    const tag = async (ids: readonly string[], add: string[], remove: string[]) => {
      const { team } = now.current;
      const { entry } = await call("tags.change", { team, resources: [...ids], add, remove });
      done(`${add.length ? "Tagged" : "Took tags off"} ${count(ids)}.`, entry);
    };
    const place = (ids: readonly string[], to: { collection: string; title: string }, words?: string) => {
      const { team, again, go } = now.current;
      placeResources({ team, resources: ids, to, words, done: again, go });
    };
    const commands: BenchCommands & {
      place: typeof place;
      onKey: (event: React.KeyboardEvent) => void;
    } = {
      place,
      select: (id, how) => now.current.selection.choose(id, how),
      toggle: (id) => now.current.toggle(id),
      change: (id, how) => now.current.change(id, how),
      edit: () => Promise.resolve(),
      write: nothing,
      writeNext: nothing,
      stopWriting: nothing,
      keepText: () => Promise.resolve(),
      dropText: nothing,
      mend: async (item, field, text, base) => {
        const { words } = await saveResourceText(item.id, field, text, base);
        now.current.again();
        return words;
      },
      retag: (item, tags) => {
        const { add, remove } = tagChanges(item.resource.tags, tags);
        return add.length || remove.length ? tag([item.id], add, remove) : Promise.resolve();
      },
      remove: (id) => {
        const ids = along(id);
        void call("resources.remove-many", { team: now.current.team, resources: ids })
          .then(({ entry }) => done(`In the bin: ${count(ids)}.`, entry))
          .catch(sayFailure);
      },
      ask: (what, id) => now.current.ask({ what, ids: along(id) }),
      step: nothing,
      fetchAgain: (resource) => void call("resources.fetch-again", { resource }).catch(sayFailure),
      setKind: (ids, kind) =>
        void call("resources.set-kind", { team: now.current.team, resources: [...ids], kind })
          .then(({ entry }) => done(`Changed ${count(ids)}.`, entry))
          .catch(sayFailure),
      tag,
      setLook: nothing,
      setForReaders: nothing,
      giveCopy: nothing,
      showTheirs: nothing,
      askOf: nothing,
      seenTo: nothing,
      onKey: (event) => {
        const target = event.target as HTMLElement;
        if (target.dataset.cell !== undefined)
          return goThroughCells(event.nativeEvent) ? event.preventDefault() : undefined;
        const { items, selection } = now.current;
        const at = items.findIndex((item) => item.id === target.dataset.item);
        const item = items[at];
        if (!item || event.altKey) return;
        const key = event.key.toLowerCase();
        const ctrl = event.ctrlKey || event.metaKey;
        const go = (to: number) => {
          const next = items[Math.max(0, Math.min(to, items.length - 1))]!;
          selection.choose(next.id, event.shiftKey ? "range" : "only");
          focusItem(next.id);
        };
        if (ctrl && key === "a") selection.all();
        else if (ctrl && key !== "home" && key !== "end") return;
        else if (key === "arrowdown") go(at + 1);
        else if (key === "arrowup") go(at - 1);
        else if (key === "home") go(0);
        else if (key === "end") go(items.length - 1);
        else if (key === "arrowright") target.querySelector<HTMLElement>("[data-cell]")?.focus();
        else if (key === "escape") selection.choose(item.id);
        else if (key === " ") selection.choose(item.id, "toggle");
        else if (key === "i") selection.invert();
        else if (key === "enter") commands.toggle(item.id);
        else if (key === "o") openOriginals([item.resource]);
        else if (key === "t") commands.ask("tag", item.id);
        else if (key === "k") commands.ask("kind", item.id);
        else if (key === "m") commands.ask("copy", item.id);
        else if (key === "delete" || key === "backspace") {
          commands.remove(item.id);
          go(at + 1);
        } else return;
        event.preventDefault();
      },
    };
    return commands;
  }, []);
}
