"use client";

import { VIEW_WORDS, VIEWS, type ViewSetting } from "@/core/list/view-setting";
import { isForField } from "../../shell/commands";
import { useWindowKeys } from "../../shell/use-window-keys";

type Commands = {
  arranges: boolean;
  /** Whether one was let into it alone: then there is nothing beside it. */
  guest: boolean;
  folded: boolean;
  newSection: () => void;
  writeText: () => void;
  newInside: () => void;
  newBeside: () => void;
  fold: () => void;
  /** To the other side of the Bench. */
  jump: () => void;
  narrow: () => void;
  setView: (wish: Partial<ViewSetting>) => void;
  publish: () => void;
  save: () => void;
  cite: () => void;
  talk: () => void;
  handOut: () => void;
  guests: () => void;
  askForSuggestions: () => void;
  happened: () => void;
};

/** A number for each view. */
const VIEW_KEYS: Record<string, (typeof VIEWS)[number]> = Object.fromEntries(
  VIEWS.map((view, i) => [String(i + 1), view]),
);

/**
 * The keys of the Bench that need no item, wherever the focus is but in a field, a dialog or a menu.
 * @returns the same commands as commands for the palette
 */
export function useBenchKeys(commands: Commands): { words: string; run: () => void }[] {
  const {
    arranges,
    guest,
    folded,
    newSection,
    writeText,
    newInside,
    newBeside,
    fold,
    jump,
    narrow,
    setView,
    publish,
    save,
    cite,
    talk,
    handOut,
    guests,
    askForSuggestions,
    happened,
  } = commands;
  useWindowKeys((event) => {
    const key = event.key.toLowerCase();
    if (isForField(event) || document.querySelector("[role=dialog],[role=menu]")) return;
    if ((event.ctrlKey || event.metaKey) && key === "f" && !event.shiftKey && !event.altKey) {
      event.preventDefault();
      return narrow();
    }
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const view = VIEW_KEYS[key];
    if (key === "n" && arranges) newSection();
    else if (key === "w" && arranges) writeText();
    else if (key === "s" && !guest) fold();
    else if (key === "v" && !guest) jump();
    else if (key === "f") narrow();
    else if (key === "0") setView({ sort: "own", down: false });
    else if (view) setView({ view });
    else return;
    event.preventDefault();
  });
  return [
    ...(arranges
      ? [
          { words: "New section", run: newSection },
          { words: "Write text between the items", run: writeText },
        ]
      : []),
    ...(arranges && !guest
      ? [
          { words: "New collection in this one", run: newInside },
          { words: "New collection beside this one", run: newBeside },
          { words: "Hand this collection out to a group", run: handOut },
          { words: "Suggestions for this collection", run: askForSuggestions },
          { words: "Guests of this collection", run: guests },
        ]
      : []),
    ...(guest ? [] : [{ words: "Publish this collection", run: publish }]),
    { words: "Save this collection as a file", run: save },
    { words: "Bibliography of this collection", run: cite },
    { words: "Comments in this collection", run: talk },
    { words: "What happened in this collection", run: happened },
    { words: "Narrow this collection", run: narrow },
    ...VIEWS.map((view) => ({ words: `See it as ${VIEW_WORDS[view]}`, run: () => setView({ view }) })),
    ...(guest
      ? []
      : [
          { words: "Over to the other side", run: jump },
          { words: folded ? "Show the sources" : "Fold the sources away", run: fold },
        ]),
  ];
}
