"use client";

import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Command } from "cmdk";
import { useRouter } from "next/navigation";
import { Dialog } from "radix-ui";
import { useCallback, useDeferredValue, useEffect, useEffectEvent, useRef, useState } from "react";
import { hashOfWords } from "@/core/read/words-asked";
import { Key } from "../parts/key";
import { KindMark } from "../parts/kind";
import { Marked } from "../parts/marked";
import { ask } from "../talk/call";
import { inPlace } from "../talk/in-place";
import { calledSoFirst, paletteEntries } from "./palette-entries";

export type PaletteCommand = { words: string; run: () => void };
type Props = {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  words: string;
  onWords: (words: string) => void;
  team: string | null;
  /** Whether what the team has is searched through; a guest finds by what is open. */
  finds: boolean;
  commands: PaletteCommand[];
  onNarrow?: (words: string) => void;
};

const ITEM =
  "flex min-h-10 cursor-pointer items-center gap-3 rounded-sm px-3 py-1.5 text-[15px] data-[selected=true]:bg-wash";
const GROUP =
  "[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:py-1.5 [&_[cmdk-group-heading]]:text-sm [&_[cmdk-group-heading]]:text-quiet";
/** Things of the catalogue that are shown; more letters narrow them. */
const MOST = 6;
/** A passage has one line here, and what it is shown for must be in it. */
const LEAD = 16;

/** Finds anything and goes anywhere by a few letters: collections, things of the catalogue, tags, what can be done. */
export function Palette({ open, onOpenChange, words, onWords, team, finds, commands, onNarrow }: Props) {
  const router = useRouter();
  // What stands here is narrowed with each letter, so that Enter means what was typed; only the search comes later.
  const query = words.trim();
  const sought = useDeferredValue(query);
  const tree = useQuery({
    queryKey: ["tree", team],
    queryFn: () => ask("collections.tree", { team: team! }),
    enabled: open && !!team,
  });
  const known = useQuery({
    queryKey: ["tags", team],
    queryFn: () => ask("tags.read", { team: team! }),
    enabled: open && !!team,
  });
  const found = useQuery({
    queryKey: ["found", team, sought],
    queryFn: () => ask("search.find", { team: team!, query: sought, most: MOST }),
    enabled: open && !!team && finds && sought.length > 1,
    placeholderData: keepPreviousData,
  });
  const run = (act: () => void) => {
    onOpenChange(false);
    act();
  };
  const { meant, collections, tags, others } = paletteEntries({
    query,
    collections: tree.data?.collections ?? [],
    tags: known.data?.tags ?? [],
    commands,
  });
  const results = query.length > 1 ? calledSoFirst(found.data?.results ?? [], sought) : [];
  const offered = results.length || sought !== query ? null : (found.data?.meant ?? null);
  // With other letters the first entry is chosen again, also when it comes after the others are there.
  const [picked, setPicked] = useState({ query: "-", value: "" });
  const first =
    meant[0]?.words ??
    (offered && !collections.length && !tags.length ? "meant" : undefined) ??
    collections[0]?.id ??
    tags[0]?.id ??
    results[0]?.id ??
    (query ? (onNarrow ? "narrow" : "all results") : others[0]?.words);
  const chosen = picked.query === query ? picked.value : first;
  // What was found for fewer letters is still shown while the rest is looked for; it is no place to go to yet.
  const isFound = sought === query && !found.isPlaceholderData;
  const result = results.find((one) => one.id === chosen);
  const placed = isFound && result?.places.length ? result : undefined;
  const toPlace = ({ places }: (typeof results)[number]) => run(() => router.push(inPlace(places[0]!)));
  /** What is gone to on this page has the focus then, not what had it before. */
  const goesOn = useRef(false);
  const toText = ({ id, passage }: (typeof results)[number]) =>
    run(() => {
      const [path, hash] = [`/read/${id}`, passage?.inText ? hashOfWords(passage.text) : ""];
      // The text that is being read hears of its address only so.
      if (hash && window.location.pathname === path) {
        goesOn.current = true;
        if (window.location.hash === hash) window.dispatchEvent(new HashChangeEvent("hashchange"));
        else window.location.hash = hash;
      } else router.push(path + hash);
    });
  /** Enter that was pressed before everything typed had been looked for: it is done as soon as that is there. */
  const [pressed, setPressed] = useState<{ query: string; toPlace: boolean } | null>(null);
  const answer = useEffectEvent(({ toPlace: wanted }: { toPlace: boolean }) => {
    if (wanted && placed) toPlace(placed);
    else if (result) toText(result);
  });
  const isDue = isFound && pressed?.query === query ? pressed : null;
  useEffect(() => {
    if (isDue) answer(isDue);
  }, [isDue]);
  const spoken = useSpokenChoice();
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[rgb(10_20_18/0.45)]" />
        <Dialog.Content
          // Behind what was typed before the box was there; it would be chosen, and the next letter take its place.
          onOpenAutoFocus={(event) => {
            event.preventDefault();
            const box = (event.target as HTMLElement).querySelector("input");
            box?.focus();
            box?.setSelectionRange(box.value.length, box.value.length);
          }}
          onCloseAutoFocus={(event) => {
            if (goesOn.current) event.preventDefault();
            goesOn.current = false;
          }}
          aria-describedby={undefined}
          className="fixed top-[10vh] left-1/2 z-50 w-[calc(100vw-2rem)] max-w-2xl -translate-x-1/2 rounded-md border border-line bg-sheet shadow-lift"
        >
          <Dialog.Title className="sr-only">Find anything, go anywhere</Dialog.Title>
          <Command
            ref={spoken}
            label="Find anything, go anywhere"
            loop
            shouldFilter={false}
            value={chosen}
            onValueChange={(value) => setPicked({ query, value })}
          >
            <Command.Input
              value={words}
              onValueChange={onWords}
              onKeyDown={(event) => {
                if (event.key !== "Enter") return;
                if (!isFound && result) setPressed({ query, toPlace: event.shiftKey });
                else if (event.shiftKey && placed) toPlace(placed);
                else return;
                event.preventDefault();
              }}
              placeholder="Find anything, go anywhere"
              className="h-12 w-full rounded-t-md border-b border-line bg-sheet px-4 text-base outline-none placeholder:text-quiet"
            />
            <Command.List className="max-h-[60vh] overflow-y-auto p-1.5">
              <Command.Empty className="px-3 py-4 text-quiet">
                {found.isFetching ? "Looking …" : "Nothing has these letters."}
              </Command.Empty>
              <Entries entries={meant} run={run} />
              {offered && (
                <Command.Group heading="Did you mean" className={GROUP}>
                  <Command.Item value="meant" onSelect={() => onWords(offered)} className={ITEM}>
                    {offered}
                  </Command.Item>
                </Command.Group>
              )}
              {collections.length > 0 && (
                <Command.Group heading="Collections" className={GROUP}>
                  {collections.map((one) => (
                    <Command.Item
                      key={one.id}
                      value={one.id}
                      onSelect={() => run(() => router.push(`/bench/${one.id}`))}
                      className={ITEM}
                    >
                      {one.title}
                    </Command.Item>
                  ))}
                </Command.Group>
              )}
              {tags.length > 0 && (
                <Command.Group heading="Tags" className={GROUP}>
                  {tags.map((one) => (
                    <Command.Item
                      key={one.id}
                      value={one.id}
                      onSelect={() => run(() => router.push(`/team/${team}/tags/${one.id}`))}
                      className={ITEM}
                    >
                      <span className="flex-1">{one.name}</span>
                      <span className="text-sm text-quiet">{one.count}</span>
                    </Command.Item>
                  ))}
                </Command.Group>
              )}
              {/* What is found comes later than what stands here, so it comes below: nothing goes away from under the pointer. */}
              {results.length > 0 && (
                <Command.Group heading="In the catalogue" className={GROUP}>
                  {results.map((one) => (
                    <Command.Item key={one.id} value={one.id} onSelect={() => toText(one)} className={ITEM}>
                      <KindMark kind={one.kind} />
                      <span className="min-w-0 flex-1">
                        <span className="block truncate">
                          <Marked text={one.title} marks={one.marks} />
                        </span>
                        {one.passage && (
                          <span className="block truncate text-sm text-quiet">
                            <Marked text={one.passage.text} marks={one.passage.marks} lead={LEAD} />
                          </span>
                        )}
                      </span>
                      {one.places[0] && (
                        <span
                          // By key it is Shift and Enter; a button inside of what is chosen would be none to a reader.
                          onClick={(event) => {
                            event.stopPropagation();
                            toPlace(one);
                          }}
                          className="max-w-40 truncate rounded-sm px-1.5 py-1 text-sm text-quiet underline decoration-dotted underline-offset-2 hover:bg-sheet hover:text-accent"
                        >
                          in {one.places[0].title}
                        </span>
                      )}
                    </Command.Item>
                  ))}
                </Command.Group>
              )}
              {query && team && (
                <Command.Group className={GROUP}>
                  {onNarrow && (
                    <Command.Item value="narrow" onSelect={() => run(() => onNarrow(query))} className={ITEM}>
                      Only what has “{query}” in this collection
                    </Command.Item>
                  )}
                  {finds && (
                    <Command.Item
                      value="all results"
                      onSelect={() =>
                        run(() => router.push(`/team/${team}/catalogue?q=${encodeURIComponent(query)}`))
                      }
                      className={ITEM}
                    >
                      All with “{query}” in the Catalogue
                    </Command.Item>
                  )}
                </Command.Group>
              )}
              <Entries entries={others} run={run} />
            </Command.List>
            <p
              aria-live="polite"
              className="border-t border-line px-4 py-2 text-sm text-quiet empty:hidden max-sm:hidden"
            >
              {placed && (
                <>
                  <Key>Enter</Key> reads it. <Key>Shift Enter</Key> shows it where it stands, in{" "}
                  {placed.places[0]!.title}.
                </>
              )}
            </p>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/**
 * Says in the field which entry is chosen. The list knows only what was chosen by an arrow, not what is chosen because
 * it came first.
 * @returns the ref for the list with its field
 */
function useSpokenChoice() {
  return useCallback((root: HTMLElement | null) => {
    if (!root) return;
    const say = () => {
      const chosen = root.querySelector("[cmdk-item][aria-selected=true]");
      const field = root.querySelector("[cmdk-input]");
      if (chosen) field?.setAttribute("aria-activedescendant", chosen.id);
      else field?.removeAttribute("aria-activedescendant");
    };
    const watch = new MutationObserver(say);
    watch.observe(root, { subtree: true, childList: true, attributeFilter: ["aria-selected"] });
    return () => watch.disconnect();
  }, []);
}

function Entries({ entries, run }: { entries: readonly PaletteCommand[]; run: (act: () => void) => void }) {
  if (!entries.length) return null;
  return (
    <Command.Group heading="To do" className={GROUP}>
      {entries.map((one) => (
        <Command.Item key={one.words} value={one.words} onSelect={() => run(one.run)} className={ITEM}>
          {one.words}
        </Command.Item>
      ))}
    </Command.Group>
  );
}
