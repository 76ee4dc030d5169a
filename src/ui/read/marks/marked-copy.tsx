"use client";

import { useEffect, useLayoutEffect, useRef, useState } from "react";
import { quoteAt } from "@/core/marks/selectors";
import { sentenceAfter, sentenceBefore } from "@/core/marks/sentences";
import { may } from "@/core/policy/abilities";
import { appendLater } from "../append-later";
import { isForField } from "../../shell/commands";
import { useWindowKeys } from "../../shell/use-window-keys";
import { caretAt } from "./caret";
import { CopyMap } from "./copy-map";
import { cardOf, focusCard, focusComing, focusNewNote, focusNote } from "./focus-card";
import { layOutLater } from "./lay-out-later";
import { MarkCard } from "./mark-card";
import { MarkStrip } from "./mark-strip";
import type { MarksShown } from "./marks-shown";
import type { Mark } from "./use-marks";
import { selectedNow } from "./selected-now";
import { useNear } from "./use-near";
import { useNotesBeside } from "./use-notes-beside";
import { type Placed, usePlaced } from "./use-placed";
import { useSelected } from "./use-selected";
import { useWide } from "./use-wide";

type Props = MarksShown & {
  html: string;
  /** All of a long text, when what stands here is its beginning; it is put behind that. */
  rest: string | null;
  /** Whether all of it stands here. */
  whole: boolean;
  onWhole: () => void;
  /** The number of the copy that is shown. */
  version: number;
  language?: string;
  /** Takes a passage into the context line of the item; null where there is none. */
  onContext: ((words: string) => void) | null;
};

/** From so many on only marks near the screen have their cards. */
const MANY = 60;
/** From so many characters on only what is near the screen is laid out. */
const LONG = 200_000;

/** A reading copy with its margin: words are selected and marked, notes stand beside them. */
export function MarkedCopy({
  html,
  rest,
  whole,
  onWhole,
  version,
  me,
  team,
  marks,
  shown,
  chosen,
  onChoose,
  language,
  onContext,
}: Props) {
  const copy = useRef<HTMLDivElement>(null);
  const margin = useRef<HTMLDivElement>(null);
  const [map, setMap] = useState<CopyMap | null>(null);
  useLayoutEffect(() => setMap(new CopyMap(copy.current!)), [html, whole]);
  const came = useRef(onWhole);
  useEffect(() => {
    came.current = onWhole;
  });
  useEffect(() => {
    if (rest !== null && !whole) return appendLater(copy.current!, rest, () => came.current());
  }, [rest, whole]);
  const [selected, clearSelected] = useSelected(map);
  const brings = may(team.role, "bring");
  const [alone, setAlone] = useState(!brings);
  const meanings = marks.meanings.filter((one) => !one.removed);

  const placed = usePlaced({ map, shown, whole, chosen, meanings: marks.meanings });
  const isLong = (rest ?? html).length > LONG;
  const beside = useNear(placed, chosen, isLong || placed.length > MANY);
  useNotesBeside(copy, margin, beside, chosen);
  useEffect(() => {
    if (whole && isLong) return layOutLater(copy.current!);
  }, [html, whole, isLong]);

  // Whoever goes to a mark by its note sees its words.
  const chosenHere = placed.find(({ mark }) => mark.id === chosen && mark.end! <= map!.text.length)?.range;
  const isHere = chosenHere !== undefined;
  useEffect(() => {
    if (!chosenHere) return;
    // Of a long text what is come to is laid out only then, and may stand elsewhere: it is gone to until it is there.
    let left = 5;
    let frame = 0;
    const go = () => {
      const { top, bottom } = chosenHere.getBoundingClientRect();
      if (bottom >= 60 && top <= window.innerHeight - 40) return;
      chosenHere.startContainer.parentElement?.scrollIntoView({ block: "center" });
      if (--left) frame = requestAnimationFrame(go);
    };
    go();
    return () => cancelAnimationFrame(frame);
    // What is placed anew does not move who reads.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [chosen, isHere]);

  /** Who has no pointer goes through the text by sentences, and takes several together. */
  const selectSentence = (on: boolean, along: boolean) => {
    if (!map) return;
    const inSight = map.placeInSight();
    const from = selectedNow(map) ?? { start: inSight, end: inSight };
    const next = on
      ? sentenceAfter(map.text, from.end, language)
      : sentenceBefore(map.text, along ? from.end : from.start, language);
    if (!next) return;
    const start = along ? Math.min(from.start, next.start) : next.start;
    // Backwards, what was taken along last is let go.
    const end = along && !on ? Math.max(next.start, start + 1) : next.end;
    const range = map.range(start, end);
    if (!range) return;
    document.getSelection()?.removeAllRanges();
    document.getSelection()?.addRange(range);
    const { top, bottom } = range.getBoundingClientRect();
    if (top < 80 || bottom > window.innerHeight - 60)
      range.startContainer.parentElement?.scrollIntoView({ block: "center" });
  };
  /** Goes to a card; one that is far has to come first. */
  const goToCard = (id: string | undefined) => {
    if (!id || cardOf(id)) return focusCard(id);
    onChoose(id);
    focusComing(id);
  };
  const mark = (meaning: string | null) => {
    const now = map && selectedNow(map);
    if (!map || !now) return;
    const { start, end } = now;
    const id = marks.add(
      { quote: quoteAt(map.text, start, end), start, end, version },
      { private: alone, meaning },
    );
    clearSelected();
    onChoose(id);
    // What is typed now is the note.
    focusNewNote(id);
  };
  useWindowKeys((event) => {
    if (isForField(event) || event.ctrlKey || event.metaKey || event.altKey) return;
    if (document.querySelector("[role=dialog]")) return;
    const key = event.key.toLowerCase();
    if ((key === "." || key === ",") && map && !event.repeat) selectSentence(key === ".", false);
    else if ((key === ":" || key === ";" || key === ">" || key === "<") && event.shiftKey && map)
      selectSentence(key === ":" || key === ">", true);
    else if (key === "m" && map && selectedNow(map)) mark(null);
    else if (selected && /^[1-9]$/.test(key) && meanings[Number(key) - 1])
      mark(meanings[Number(key) - 1]!.id);
    // Unless a part of something else is meant, or words that are selected elsewhere.
    else if (key === "m" && placed.length && !event.defaultPrevented && isNothingSelected())
      goToCard(firstInSight(placed));
    else return;
    event.preventDefault();
  });
  const onCards = (event: React.KeyboardEvent<HTMLElement>) => {
    const card = (event.target as HTMLElement).closest<HTMLElement>("[data-mark]");
    if (!card || event.target !== card) return;
    const at = placed.findIndex(({ mark: one }) => one.id === card.dataset.mark);
    const one = placed[at]?.mark;
    if (event.key === "ArrowDown") goToCard(placed[at + 1]?.mark.id);
    else if (event.key === "ArrowUp") goToCard(placed[at - 1]?.mark.id);
    else if (event.key === "Enter") focusNote(card.dataset.mark!);
    else if (event.key === "Escape") {
      onChoose(null);
      card.blur();
    } else if (event.key === "Delete" && one && mayRemove(one)) {
      goToCard((placed[at + 1] ?? placed[at - 1])?.mark.id);
      marks.remove(one);
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const mayChange = (one: Mark) => one.by.id === me || brings;
  const mayRemove = (one: Mark) => one.by.id === me || may(team.role, "arrange");

  // A press on marked words shows what is beside them.
  const onPress = (event: React.MouseEvent) => {
    if (!map || selected || (event.target as HTMLElement).closest("a")) return;
    const caret = caretAt(event.clientX, event.clientY);
    const place = caret && map.placeOf(caret.node, caret.offset);
    const there = placed.filter(
      ({ mark: { start, end } }) => place !== null && start! <= place && place <= end!,
    );
    // Of several over one another the shortest is meant, and pressed again the next one.
    there.sort((a, b) => a.mark.end! - a.mark.start! - (b.mark.end! - b.mark.start!));
    const next = there[(there.findIndex(({ mark: { id } }) => id === chosen) + 1) % there.length];
    onChoose(next?.mark.id ?? null);
  };
  const strip = selected && (
    <MarkStrip
      meanings={meanings}
      isPrivate={alone}
      onPrivate={brings ? setAlone : null}
      onMark={mark}
      onContext={
        onContext &&
        (() => {
          const now = map && selectedNow(map);
          if (!now) return;
          clearSelected();
          onContext(map.text.slice(now.start, now.end));
        })
      }
    />
  );
  const stripAt = selected && map?.range(selected.start, selected.end)?.getBoundingClientRect().top;
  const card = (one: Mark, quoted?: boolean) => (
    <MarkCard
      mark={one}
      meanings={marks.meanings}
      me={me}
      changes={mayChange(one)}
      removes={mayRemove(one)}
      chosen={one.id === chosen}
      quoted={quoted}
      onChoose={onChoose}
      acts={marks}
    />
  );
  const wide = useWide();
  const atFoot = placed.find(({ mark: one }) => one.id === chosen)?.mark;
  return (
    <div className="relative mt-6">
      {/* The one sanitiser has made this: no scripts, no styles, no frames, no pictures but those that are kept here. */}
      {}
      <div
        ref={copy}
        className={isLong ? "reading reading-long" : "reading"}
        dangerouslySetInnerHTML={{ __html: html }}
        onClick={onPress}
      />
      <div
        ref={margin}
        role="list"
        aria-label="Marks in the margin"
        onKeyDown={onCards}
        className="absolute top-0 left-full ml-8 hidden w-64 lg:block"
      >
        {(wide ? beside : []).map(({ mark: one, at }) => (
          <div
            key={one.id}
            role="listitem"
            aria-setsize={placed.length}
            aria-posinset={at + 1}
            data-note={one.id}
            className="absolute inset-x-0"
          >
            {card(one)}
          </div>
        ))}
        {wide && strip && stripAt !== undefined && stripAt !== null && (
          <div
            className="absolute inset-x-0 z-10"
            style={{ top: stripAt - (map?.root.getBoundingClientRect().top ?? 0) }}
          >
            {strip}
          </div>
        )}
      </div>
      {!wide && (strip || atFoot) && (
        <div className="fixed inset-x-0 bottom-0 z-20 max-h-[45vh] overflow-y-auto border-t border-line bg-sheet p-2 shadow-lift lg:hidden">
          {strip || card(atFoot!, true)}
        </div>
      )}
    </div>
  );
}

const isNothingSelected = (): boolean => document.getSelection()?.isCollapsed !== false;

/** The first mark that is on the screen, or the last one above it. */
const firstInSight = (placed: readonly Placed[]): string | undefined =>
  (placed.find(({ range }) => range.getBoundingClientRect().bottom > 80) ?? placed.at(-1))?.mark.id;
