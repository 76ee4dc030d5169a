"use client";

import { groupBy } from "@/core/list/group-by";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useEffect, useMemo, useRef } from "react";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Empty } from "../parts/empty";
import type { DetailField } from "./bench-context";
import { useBench } from "./bench-context";
import { ItemRow, LandingMark } from "./item-row";
import { SectionHead } from "./section-head";
import type { Item, Section } from "./use-items";

export type Landing = { section: string | null; after: string | null };
type Row =
  | { type: "section"; key: string; section: Section }
  | { type: "item"; key: string; item: Item; number: number }
  | { type: "end"; key: string };
type Props = {
  head: Answer<"collections.read">;
  items: Item[];
  selected: string | null;
  opened: { id: string; field: DetailField | "open" } | null;
  landing: Landing | null;
  newSection: string | null;
  onKeyDown: (event: React.KeyboardEvent) => void;
  onSection: () => void;
  onMoveSection: (section: Section, by: 1 | -1) => void;
  onRemoveSection: (section: Section) => void;
};

/** The items with their sections, only those in sight on the page at a time. */
export function MakingList({ head, items, selected, opened, landing, newSection, ...on }: Props) {
  const { arranges } = useBench();
  const scroller = useRef<HTMLDivElement>(null);
  const { sections, sums } = head;
  const rows = useMemo(() => layOut(items, sections), [items, sections]);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: (i) => (rows[i]!.type === "item" ? 77 : 60),
    getItemKey: (i) => rows[i]!.key,
    overscan: 6,
    initialRect: { width: 800, height: 900 },
  });
  // What is chosen by key or has just come in is brought into sight.
  const at = rows.findIndex((row) => row.type === "item" && row.item.id === selected);
  useEffect(() => {
    if (at >= 0) virtual.scrollToIndex(at, { align: "auto" });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only when the choice changes, not when the list does
  }, [selected]);
  const titleOf = (section: string | null) => sections.find((one) => one.id === section)?.title;
  const sumOf = (section: string) => {
    const { items = 0, minutes = 0 } = sums.find((one) => one.section === section) ?? {};
    return { items, minutes };
  };
  const landsAtTop = landing && landing.after === null && landing.section === null;
  return (
    <div
      ref={scroller}
      data-making
      onKeyDown={on.onKeyDown}
      className="relative min-h-0 flex-1 overflow-y-auto px-4 pb-24 sm:px-6"
    >
      {items.length === 0 && (
        <Empty title="Nothing stands here yet">
          <p>
            {arranges
              ? "Copy the address of something worth keeping and press Ctrl V here. Or drag things over from the other side."
              : "When the team places something here, you will see it at once."}
          </p>
        </Empty>
      )}
      <div style={{ height: virtual.getTotalSize() }} className="relative">
        {landsAtTop && (
          <div className="absolute inset-x-0 top-1">
            <LandingMark words="lands here" />
          </div>
        )}
        {virtual.getVirtualItems().map(({ index, start, key }) => {
          const row = rows[index]!;
          return (
            <div
              key={key}
              data-index={index}
              ref={virtual.measureElement}
              className="absolute top-0 left-0 w-full"
              style={{ transform: `translateY(${start}px)` }}
            >
              {row.type === "section" ? (
                <SectionHead
                  section={row.section}
                  {...sumOf(row.section.id)}
                  focus={newSection === row.section.id}
                  landing={landing?.after === null && landing.section === row.section.id}
                  onMove={(by) => on.onMoveSection(row.section, by)}
                  onRemove={() => on.onRemoveSection(row.section)}
                />
              ) : row.type === "item" ? (
                <ItemRow
                  item={row.item}
                  number={row.number}
                  selected={row.item.id === selected}
                  reachable={row.item.id === (selected ?? items[0]?.id)}
                  opened={opened?.id === row.item.id ? opened.field : null}
                  landing={landing?.after === row.item.id}
                  landingWords={["lands here", titleOf(row.item.section)].filter(Boolean).join(" · ")}
                />
              ) : (
                arranges && (
                  <Button look="quiet" small onClick={on.onSection} className="mt-4 -ml-3 text-quiet!">
                    New section
                  </Button>
                )
              )}
            </div>
          );
        })}
      </div>
    </div>
  );
}

function layOut(items: Item[], sections: Section[]): Row[] {
  const rows: Row[] = [];
  let number = 0;
  const bySection = groupBy(items, (item) => item.section);
  const add = (list: Item[] | undefined) => {
    for (const item of list ?? []) rows.push({ type: "item", key: item.id, item, number: ++number });
  };
  add(bySection.get(null));
  for (const section of sections) {
    rows.push({ type: "section", key: section.id, section });
    add(bySection.get(section.id));
  }
  rows.push({ type: "end", key: "end" });
  return rows;
}
