"use client";

import { useVirtualizer } from "@tanstack/react-virtual";
import dynamic from "next/dynamic";
import { useCallback, useMemo, useRef } from "react";
import { groupBy } from "@/core/list/group-by";
import { sayMinutes } from "@/core/text/minutes";
import { Button } from "../../parts/button";
import { useAlways } from "../../parts/use-always";
import { useBench } from "../state/bench-context";
import { LandingMark } from "../item/item-words";
import { SectionHead } from "./section-head";
import { ItemCard } from "./item-card";
import { Nothing } from "./nothing";
import { useBroughtIntoSight, useFocused, useFollow } from "./use-kept-in-sight";
import { type ViewProps, stateOf } from "./view-props";
import type { Item, Section } from "../state/types";

const ItemDetails = dynamic(() => import("../item/item-details").then((m) => m.ItemDetails), { ssr: false });
const TextBetween = dynamic(() => import("../item/text-between").then((m) => m.TextBetween), {
  ssr: false,
  loading: () => <div className="h-16" />,
});

/** A column for every section, one for what stands before the first. */
export function BoardView(props: ViewProps) {
  const { head, items } = props;
  const { arranges } = useBench();
  const bySection = useMemo(() => groupBy(items, (item) => item.section), [items]);
  const loose = bySection.get(null) ?? [];
  const numbers = useMemo(
    () => new Map(items.filter((item) => item.look === "item").map((item, i) => [item.id, i + 1])),
    [items],
  );
  const columns: { section: Section | null; items: Item[] }[] = [
    ...(loose.length || !head.sections.length || props.landing ? [{ section: null, items: loose }] : []),
    ...head.sections.map((section) => ({ section, items: bySection.get(section.id) ?? [] })),
  ];
  return (
    <div
      data-making
      data-flow="board"
      onKeyDown={props.onKeyDown}
      className="flex min-h-0 flex-1 gap-3 overflow-x-auto px-4 pt-3 pb-3 sm:px-6"
    >
      {items.length === 0 && !head.sections.length && <Nothing />}
      {columns.map(({ section, items }) => (
        <Column key={section?.id ?? ""} {...{ section, items, numbers, props }} />
      ))}
      {arranges && (
        <Button look="quiet" small onClick={props.onSection} className="shrink-0 text-quiet!">
          New section
        </Button>
      )}
    </div>
  );
}

type ColumnProps = {
  section: Section | null;
  items: Item[];
  numbers: ReadonlyMap<string, number>;
  props: ViewProps;
};

function Column({ section, items, numbers, props }: ColumnProps) {
  const { landing, current, opened, head } = props;
  const scroller = useRef<HTMLDivElement>(null);
  const at = items.findIndex((item) => item.id === current);
  const [focused, onFocus] = useFocused();
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 220,
    getItemKey: useCallback((i: number) => items[i]!.id, [items]),
    overscan: 4,
    rangeExtractor: useAlways(
      at,
      items.findIndex((item) => item.id === focused),
    ),
    initialRect: { width: 300, height: 700 },
  });
  useBroughtIntoSight(scroller, at, [current, props.marked.size > 1], (index) => {
    virtual.scrollToIndex(index, { align: "auto" });
    scroller.current?.scrollIntoView({ inline: "nearest", block: "nearest" });
  });
  const here = landing?.section === (section?.id ?? null);
  useFollow(
    props.lifted !== null,
    here
      ? Math.max(
          0,
          items.findIndex((item) => item.id === landing.after),
        )
      : -1,
    at,
    (index) => {
      if (items.length) virtual.scrollToIndex(index, { align: "auto" });
      scroller.current?.scrollIntoView({ inline: "nearest", block: "nearest" });
    },
  );
  const sum = head.sums.find((one) => one.section === (section?.id ?? null));
  const first = landing?.after === null && landing.section === (section?.id ?? null);
  return (
    <section
      aria-label={section?.title ?? "Before the first section"}
      data-column={section?.id ?? ""}
      className={`flex min-h-0 shrink-0 flex-col rounded-md bg-sunk transition-[width] motion-reduce:transition-none ${opened && at >= 0 && items.some((item) => item.id === opened.id) ? "w-[560px] max-w-[90vw]" : "w-[272px]"}`}
    >
      <div className="relative px-3">
        {section ? (
          <div role="grid" aria-label={`Section ${section.title}`}>
            <SectionHead
              section={section}
              narrow
              items={sum?.items ?? 0}
              minutes={sum?.minutes ?? 0}
              focus={props.newSection === section.id}
              landing={false}
              onMove={(by) => props.onMoveSection(section, by)}
              onRemove={() => props.onRemoveSection(section)}
            />
          </div>
        ) : (
          <p className="pt-3 pb-2 text-sm text-quiet">
            Before the first section{sum?.minutes ? ` · ${sayMinutes(sum.minutes)}` : ""}
          </p>
        )}
        {first && <LandingMark words="lands here" />}
      </div>
      <div
        ref={scroller}
        data-scroller
        onFocus={onFocus}
        className="@container min-h-24 flex-1 overflow-y-auto px-3 pb-6"
      >
        {items.length === 0 && <p className="py-3 text-sm text-quiet">Nothing stands in this one.</p>}
        {items.length > 0 && (
          <div
            role="grid"
            aria-label={section?.title ?? "Before the first section"}
            aria-multiselectable
            style={{ height: virtual.getTotalSize() }}
            className="relative"
          >
            {virtual.getVirtualItems().map(({ index, start, key }) => {
              const item = items[index]!;
              // Each column is a grid of its own, with one item the tab key gets to.
              const reachable = at >= 0 ? index === at : index === 0;
              const state = { ...stateOf(props, item, numbers.get(item.id) ?? 0), reachable };
              return (
                <div
                  key={key}
                  role="presentation"
                  data-index={index}
                  data-line={item.id}
                  ref={virtual.measureElement}
                  className={`absolute top-0 left-0 w-full pb-2 ${landing?.after === item.id ? "z-10" : ""}`}
                  style={{ transform: `translateY(${start}px)` }}
                >
                  {item.look === "text" ? (
                    <TextBetween state={state} />
                  ) : (
                    <ItemCard {...state} role="row" small />
                  )}
                  {state.opened && item.look === "item" && (
                    <ItemDetails item={item} focus={opened?.field === "open" ? undefined : opened?.field} />
                  )}
                  {landing?.after === item.id && <LandingMark words="lands here" />}
                </div>
              );
            })}
          </div>
        )}
      </div>
    </section>
  );
}
