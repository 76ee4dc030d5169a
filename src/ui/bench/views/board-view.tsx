"use client";

import { useVirtualizer } from "@tanstack/react-virtual";
import dynamic from "next/dynamic";
import { useCallback, useMemo, useRef } from "react";
import { groupBy } from "@/core/list/group-by";
import { sayMinutes } from "@/core/text/minutes";
import { Cover } from "../../parts/cover";
import { useAlways } from "../../parts/use-always";
import { LandingMark } from "../item/item-words";
import { SectionHead } from "./section-head";
import { BoardItem } from "./board-item";
import { Nothing } from "./nothing";
import { useBroughtIntoSight, useFocused, useFollow, useWhereItWas } from "./use-kept-in-sight";
import { STACKED, useScroller } from "./use-scroller";
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
  const longest = Math.max(1, ...head.sums.map((one) => one.minutes));
  return (
    <div
      data-making
      data-flow="board"
      onKeyDown={props.onKeyDown}
      className="relative flex min-h-0 flex-1 gap-8 overflow-x-auto px-4 pt-4 short:h-[85vh] short:flex-none sm:px-6 max-sm:flex-col max-sm:gap-4 max-sm:overflow-x-hidden max-sm:overflow-y-auto max-sm:pb-24"
    >
      {items.length === 0 && !head.sections.length && <Nothing />}
      {columns.map(({ section, items }) => (
        <Column key={section?.id ?? ""} {...{ section, items, numbers, longest, props }} />
      ))}
    </div>
  );
}

type ColumnProps = {
  section: Section | null;
  items: Item[];
  numbers: ReadonlyMap<string, number>;
  /** Minutes of the longest section, by which the others are drawn. */
  longest: number;
  props: ViewProps;
};

function Column({ section, items, numbers, longest, props }: ColumnProps) {
  const { landing, current, opened, head } = props;
  const box = useRef<HTMLDivElement>(null);
  const { scroller, above } = useScroller(box, STACKED);
  const at = items.findIndex((item) => item.id === current);
  const [focused, onFocus] = useFocused();
  useWhereItWas(scroller);
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 110,
    scrollMargin: above,
    getItemKey: useCallback((i: number) => items[i]!.id, [items]),
    overscan: 4,
    rangeExtractor: useAlways(
      at,
      items.findIndex((item) => item.id === focused),
    ),
    initialRect: { width: 300, height: 700 },
  });
  const lifted = props.lifted !== null;
  useBroughtIntoSight(scroller, lifted ? -1 : at, [current, props.marked.size > 1, lifted], (index) => {
    virtual.scrollToIndex(index, { align: "auto" });
    box.current?.scrollIntoView({ inline: "nearest", block: "nearest" });
  });
  const here = landing?.section === (section?.id ?? null);
  useFollow(
    scroller,
    lifted,
    here
      ? Math.max(
          0,
          items.findIndex((item) => item.id === landing.after),
        )
      : -1,
    at,
    (index) => {
      if (items.length) virtual.scrollToIndex(index, { align: "auto" });
      box.current?.scrollIntoView({ inline: "nearest", block: "nearest" });
    },
  );
  const sum = head.sums.find((one) => one.section === (section?.id ?? null));
  const first = landing?.after === null && landing.section === (section?.id ?? null);
  return (
    <section
      aria-label={section?.title ?? "Before the first section"}
      data-column={section?.id ?? ""}
      className={`flex min-h-0 shrink-0 flex-col transition-[width] motion-reduce:transition-none max-sm:w-full! max-sm:min-h-auto ${opened && at >= 0 && items.some((item) => item.id === opened.id) ? "w-[560px] max-w-[90vw]" : "w-[330px]"}`}
    >
      <Cloth items={items} share={(sum?.minutes ?? 0) / longest} />
      <div className="relative pl-[26px]">
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
        ref={box}
        data-scroller
        onFocus={onFocus}
        className="@container min-h-24 flex-1 overflow-y-auto bg-[repeating-linear-gradient(to_bottom,var(--accent)_0_6px,transparent_6px_11px)] bg-[length:2px_100%] bg-[position:12px_0] bg-no-repeat pb-16 max-sm:min-h-auto max-sm:flex-none max-sm:overflow-visible max-sm:pb-2"
      >
        {items.length === 0 && (
          <p className="py-3 pl-[30px] text-sm text-quiet">Nothing stands in this one.</p>
        )}
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
                  className={`absolute top-0 left-0 w-full ${landing?.after === item.id ? "z-10" : ""}`}
                  style={{ transform: `translateY(${start - above}px)` }}
                >
                  {item.look === "text" ? <TextBetween state={state} /> : <BoardItem {...state} />}
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

const WIDEST = 330;
/** Also of a short section there is something to be seen. */
const LEAST = 0.3;

/** The piece of cloth a section is, as long as its minutes beside the others. */
function Cloth({ items, share }: { items: readonly Item[]; share: number }) {
  const width = Math.round(WIDEST * Math.max(LEAST, Math.min(1, share)));
  const yarns = items
    .filter((item) => item.look === "item")
    .map(({ resource: { kind, minutes, tags } }) => ({ kind, minutes, tag: tags[0] ?? null }));
  return (
    <div style={{ width }} className="max-w-full" aria-hidden>
      <Cover threads={yarns} tags={[]} width={width} height={16} className="h-4 rounded-sm!" />
    </div>
  );
}
