"use client";

import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import { layOutNotes } from "@/core/marks/lay-out-notes";
import { quoteAt } from "@/core/marks/selectors";
import { sentenceAfter, sentenceBefore } from "@/core/marks/sentences";
import { may } from "@/core/policy/abilities";
import { isForField } from "../../shell/commands";
import { useWindowKeys } from "../../shell/use-window-keys";
import { caretAt } from "./caret";
import { CopyMap } from "./copy-map";
import { cardOf, focusCard, focusNote } from "./focus-card";
import { MarkCard } from "./mark-card";
import { MarkStrip } from "./mark-strip";
import { paint } from "./paint";
import type { MarksShown } from "./marks-shown";
import type { Mark } from "./use-marks";
import { selectedNow, useSelected } from "./use-selected";
import { useWide } from "./use-wide";

type Props = MarksShown & {
  html: string;
  /** The number of the copy that is shown. */
  version: number;
  language?: string;
  /** Takes a passage into the context line of the item; null where there is none. */
  onContext: ((words: string) => void) | null;
};

const GAP = 8;

/** A reading copy with its margin: words are selected and marked, notes stand beside them. */
export function MarkedCopy({
  html,
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
  useLayoutEffect(() => setMap(new CopyMap(copy.current!)), [html]);
  const [selected, clearSelected] = useSelected(map);
  const brings = may(team.role, "bring");
  const [alone, setAlone] = useState(!brings);
  const meanings = marks.meanings.filter((one) => !one.removed);

  const placed = useMemo(
    () =>
      map
        ? shown.flatMap((mark) => {
            const range = mark.start === null || mark.end === null ? null : map.range(mark.start, mark.end);
            return range ? [{ mark, range }] : [];
          })
        : [],
    [map, shown],
  );
  useEffect(
    () =>
      paint(
        placed.map(({ mark, range }) => ({
          ...{ id: mark.id, range, sure: mark.sure ?? 100 },
          look: marks.meanings.find((one) => one.id === mark.meaning) ?? null,
        })),
        chosen,
      ),
    [placed, chosen, marks.meanings],
  );

  // Notes stand beside their words, as far as they leave one another room.
  const layOut = useCallback(() => {
    const box = margin.current;
    if (!box || !copy.current) return;
    const top = copy.current.getBoundingClientRect().top;
    const cards = placed.map(({ mark }) => box.querySelector<HTMLElement>(`[data-note="${mark.id}"]`));
    const notes = placed.map(({ range }, i) => ({
      top: range.getBoundingClientRect().top - top,
      height: cards[i]?.offsetHeight ?? 0,
    }));
    const at = placed.findIndex(({ mark }) => mark.id === chosen);
    layOutNotes(notes, GAP, at).forEach((y, i) => cards[i]?.style.setProperty("top", `${Math.round(y)}px`));
  }, [placed, chosen]);
  useLayoutEffect(layOut, [layOut]);
  useEffect(() => {
    const watch = new ResizeObserver(layOut);
    watch.observe(copy.current!);
    margin.current?.querySelectorAll("[data-note]").forEach((card) => watch.observe(card));
    return () => watch.disconnect();
  }, [layOut]);

  // Whoever goes to a mark by its note sees its words.
  useEffect(() => {
    const range = placed.find(({ mark: one }) => one.id === chosen)?.range;
    const { top = 100, bottom = 100 } = range?.getBoundingClientRect() ?? {};
    if (bottom < 60 || top > window.innerHeight - 40)
      range!.startContainer.parentElement?.scrollIntoView({ block: "center" });
    // What is placed anew does not move who reads.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [chosen]);

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
    requestAnimationFrame(() => focusNote(id));
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
      firstInSight(placed)?.focus();
    else return;
    event.preventDefault();
  });
  const onCards = (event: React.KeyboardEvent<HTMLElement>) => {
    const card = (event.target as HTMLElement).closest<HTMLElement>("[data-mark]");
    if (!card || event.target !== card) return;
    const at = placed.findIndex(({ mark: one }) => one.id === card.dataset.mark);
    const one = placed[at]?.mark;
    if (event.key === "ArrowDown") focusCard(placed[at + 1]?.mark.id);
    else if (event.key === "ArrowUp") focusCard(placed[at - 1]?.mark.id);
    else if (event.key === "Enter") focusNote(card.dataset.mark!);
    else if (event.key === "Escape") {
      onChoose(null);
      card.blur();
    } else if (event.key === "Delete" && one && mayRemove(one)) {
      focusCard((placed[at + 1] ?? placed[at - 1])?.mark.id);
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
      {/* The one sanitiser has made this: no scripts, no styles, no pictures, no frames. */}
      {}
      <div ref={copy} className="reading" dangerouslySetInnerHTML={{ __html: html }} onClick={onPress} />
      <div
        ref={margin}
        role="list"
        aria-label="Marks in the margin"
        onKeyDown={onCards}
        className="absolute top-0 left-full ml-8 hidden w-64 lg:block"
      >
        {(wide ? placed : []).map(({ mark: one }) => (
          <div key={one.id} role="listitem" data-note={one.id} className="absolute inset-x-0">
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

/** The card of the first mark that is on the screen, or of the last one above it. */
function firstInSight(placed: readonly { mark: Mark; range: Range }[]): HTMLElement | null {
  const found = placed.find(({ range }) => range.getBoundingClientRect().bottom > 80) ?? placed.at(-1);
  return found ? cardOf(found.mark.id) : null;
}
