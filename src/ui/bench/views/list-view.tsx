"use client";

import { useVirtualizer } from "@tanstack/react-virtual";
import dynamic from "next/dynamic";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { layOutLines } from "@/core/list/lay-out";
import { Button } from "../../parts/button";
import { useAlways } from "../../parts/use-always";
import { useBench } from "../state/bench-context";
import { ItemRow } from "../item/item-row";
import { LandingMark } from "../item/item-words";
import { SectionHead } from "./section-head";
import { Nothing } from "./nothing";
import { useBroughtIntoSight, useFocused, useFollow, useWhereItWas } from "./use-kept-in-sight";
import { SHORT, useScroller } from "./use-scroller";
import { type ViewProps, stateOf } from "./view-props";
import type { Landing } from "../state/types";

const HEIGHTS = { rows: 77, cards: 248, table: 45, steps: 140, board: 77, text: 60, details: 520 };
/**
 * While its script loads, an item is as high as it will be: of what is nothing high, all would be in sight. Grey bars
 * say that something is coming.
 */
const Space = ({ height }: { height: number }) => (
  <div style={{ height }} aria-hidden className="border-b border-line px-2 pt-3">
    <div className="h-4 w-3/5 rounded-sm bg-sunk" />
  </div>
);
const ItemDetails = dynamic(() => import("../item/item-details").then((m) => m.ItemDetails), {
  ssr: false,
  loading: () => <Space height={HEIGHTS.details} />,
});
const TextBetween = dynamic(() => import("../item/text-between").then((m) => m.TextBetween), {
  ssr: false,
  loading: () => <Space height={HEIGHTS.text} />,
});
const ItemCard = dynamic(() => import("./item-card").then((m) => m.ItemCard), {
  ssr: false,
  loading: () => <Space height={HEIGHTS.cards} />,
});
const ItemStep = dynamic(() => import("./item-step").then((m) => m.ItemStep), {
  ssr: false,
  loading: () => <Space height={HEIGHTS.steps} />,
});
const ItemCells = dynamic(() => import("./item-cells").then((m) => m.ItemCells), {
  ssr: false,
  loading: () => <Space height={HEIGHTS.table} />,
});
const TableHead = dynamic(() => import("./item-cells").then((m) => m.TableHead), { ssr: false });

/** The least width of a card, in pixels. */
const CARD = 228;

/** Rows, cards, table and steps: the items with their sections, only those in sight on the page at a time. */
export function ListView(props: ViewProps) {
  const { head, items, setting, current, opened, landing } = props;
  const { arranges } = useBench();
  const box = useRef<HTMLDivElement>(null);
  const { scroller, above } = useScroller(box, SHORT);
  const { view, sort } = setting;
  const sorted = sort !== "own";
  const across = useAcross(box, view === "cards");
  const { sections, sums } = head;
  const lines = useMemo(
    () => layOutLines(items, sections, { across, opened: opened?.id, sorted }),
    [items, sections, across, opened?.id, sorted],
  );
  const at = lineOf(lines, current);
  const [focused, onFocus] = useFocused();
  useWhereItWas(scroller);
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: useCallback(
      (i: number) => {
        const { type } = lines[i]!;
        return type === "items" ? HEIGHTS[view] : type === "details" ? HEIGHTS.details : HEIGHTS.text;
      },
      [lines, view],
    ),
    // The same function as long as the lines are, or everything would be measured out anew at every step.
    getItemKey: useCallback((i: number) => `${view} ${lines[i]!.key}`, [lines, view]),
    overscan: 6,
    rangeExtractor: useAlways(
      at,
      lines.findIndex((line) => line.key === focused),
    ),
    scrollMargin: above + (view === "table" ? 41 : 0),
    initialRect: { width: 800, height: 900 },
  });
  const lifted = props.lifted !== null;
  // What is chosen by key or has just come in is brought into sight.
  useBroughtIntoSight(
    scroller,
    lifted ? -1 : at,
    [current, view, sort, props.marked.size > 1, lifted],
    (index) => virtual.scrollToIndex(index, { align: "auto" }),
  );
  // A new section waits for its name.
  const fresh = lines.findIndex((line) => line.type === "section" && line.section.id === props.newSection);
  useEffect(() => {
    if (fresh >= 0) virtual.scrollToIndex(fresh, { align: "auto" });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when it comes
  }, [props.newSection, fresh >= 0]);
  // The mark hangs over the edge of its line, so that line lies over the next one.
  const landsAt = landing ? lineBefore(lines, landing) : -1;
  useFollow(scroller, lifted, landsAt, at, (index) => virtual.scrollToIndex(index, { align: "auto" }));
  const titleOf = (section: string | null) => sections.find((one) => one.id === section)?.title;
  const sumOf = (section: string) => {
    const { items = 0, minutes = 0 } = sums.find((one) => one.section === section) ?? {};
    return { items, minutes };
  };
  const landsBehind = (id: string, section: string | null, upright = false) =>
    landing?.after === id && (
      <LandingMark upright={upright} words={["lands here", titleOf(section)].filter(Boolean).join(" · ")} />
    );
  const landsAtTop = landing && landing.after === null && landing.section === null;
  const margin = virtual.options.scrollMargin;
  return (
    <div
      ref={box}
      data-making
      data-flow={view === "cards" ? "across" : "down"}
      onKeyDown={props.onKeyDown}
      onFocus={onFocus}
      className={`@container relative min-h-0 flex-1 overflow-y-auto px-4 pb-24 short:min-h-auto short:flex-none short:overflow-visible sm:px-6 ${view === "table" ? "scroll-pt-[41px] overflow-x-auto" : "overflow-x-hidden"}`}
    >
      {items.length === 0 && <Nothing />}
      <div
        role="grid"
        aria-label={`Items of ${head.collection.title}`}
        aria-multiselectable
        aria-rowcount={-1}
        className={view === "table" ? "w-fit min-w-full" : ""}
      >
        {view === "table" && items.length > 0 && <TableHead setting={setting} onSet={props.onSet} />}
        <div role="rowgroup" style={{ height: virtual.getTotalSize() }} className="relative">
          {landsAtTop && (
            <div className="absolute inset-x-0 top-1" role="presentation">
              <LandingMark words="lands here" />
            </div>
          )}
          {virtual.getVirtualItems().map(({ index, start, key }) => {
            const line = lines[index]!;
            return (
              <div
                key={key}
                role="presentation"
                data-index={index}
                data-line={line.key}
                ref={virtual.measureElement}
                className={`absolute top-0 left-0 w-full ${index === landsAt ? "z-10" : ""}`}
                style={{ transform: `translateY(${start - margin}px)` }}
              >
                {line.type === "section" ? (
                  <SectionHead
                    section={line.section}
                    {...sumOf(line.section.id)}
                    focus={props.newSection === line.section.id}
                    landing={landing?.after === null && landing.section === line.section.id}
                    onMove={(by) => props.onMoveSection(line.section, by)}
                    onRemove={() => props.onRemoveSection(line.section)}
                  />
                ) : line.type === "text" ? (
                  <div className="relative" role="presentation">
                    <TextBetween state={stateOf(props, line.item, 0)} />
                    {landsBehind(line.item.id, line.item.section)}
                  </div>
                ) : line.type === "details" ? (
                  <ItemDetails
                    item={line.item}
                    focus={opened?.field === "open" ? undefined : opened?.field}
                  />
                ) : line.type === "end" ? (
                  arranges &&
                  !sorted && (
                    <div role="row">
                      <div role="gridcell">
                        <Button
                          look="quiet"
                          small
                          onClick={props.onSection}
                          className="mt-4 -ml-3 text-quiet!"
                        >
                          New section
                        </Button>
                      </div>
                    </div>
                  )
                ) : view === "cards" ? (
                  <div
                    role="row"
                    className="grid gap-4 pt-4"
                    style={{ gridTemplateColumns: `repeat(${across}, minmax(0, 1fr))` }}
                  >
                    {line.items.map(({ item, number }) => (
                      <div key={item.id} className="relative" role="presentation">
                        <ItemCard {...stateOf(props, item, number!)} role="gridcell" />
                        {landsBehind(item.id, item.section, true)}
                      </div>
                    ))}
                  </div>
                ) : (
                  line.items.map(({ item, number }) => {
                    const state = stateOf(props, item, number!);
                    return (
                      <div key={item.id} className="relative" role="presentation">
                        {view === "table" ? (
                          <ItemCells
                            {...state}
                            columns={setting.columns}
                            sectionTitle={titleOf(item.section) ?? ""}
                          />
                        ) : view === "steps" ? (
                          <ItemStep {...state} />
                        ) : (
                          <ItemRow {...state} />
                        )}
                        {landsBehind(item.id, item.section)}
                      </div>
                    );
                  })
                )}
              </div>
            );
          })}
        </div>
      </div>
    </div>
  );
}

type Lines = ReturnType<typeof layOutLines>;

/** The line in which an item or a text stands; -1 without one. */
const lineOf = (lines: Lines, id: string | null): number =>
  lines.findIndex((line) =>
    line.type === "text"
      ? line.item.id === id
      : line.type === "items" && line.items.some((one) => one.item.id === id),
  );

/** The line something would land behind: the item, the head of the section, or the very first. */
function lineBefore(lines: Lines, { after, section }: Landing): number {
  if (after !== null) return lineOf(lines, after);
  if (section === null) return lines.length ? 0 : -1;
  return lines.findIndex((line) => line.type === "section" && line.section.id === section);
}

/** How many cards stand side by side. */
function useAcross(scroller: React.RefObject<HTMLDivElement | null>, cards: boolean): number {
  const [across, setAcross] = useState(3);
  useEffect(() => {
    if (!cards) return;
    const watch = new ResizeObserver(([entry]) =>
      setAcross(Math.max(1, Math.floor((entry!.contentRect.width + 16) / (CARD + 16)))),
    );
    watch.observe(scroller.current!);
    return () => watch.disconnect();
  }, [scroller, cards]);
  return cards ? across : 1;
}
