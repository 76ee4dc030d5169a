"use client";

import { useVirtualizer } from "@tanstack/react-virtual";
import { useMemo, useRef, useState } from "react";
import { apart, dispute, type Standing, standingOf } from "@/core/appraise/sides";
import type { Answer } from "@/services/registry";
import { Choice } from "../parts/field";
import { KindMark } from "../parts/kind";
import { Decided } from "./decided";
import { Settle } from "./settle";
import { Threads } from "./threads";

type Round = Answer<"rounds.look">;
type Props = { round: Round; brings: boolean; onSettled: () => void };

const ORDERS = [
  ["dispute", "Most in dispute first"],
  ["own", "Their own order"],
  ["title", "By title"],
] as const;
type Order = (typeof ORDERS)[number][0];

const ROW = 57;

/** Everything that is judged, by its questions: what everybody answered, the most in dispute first, and what was agreed on. */
export function SideBySide({ round, brings, onSettled }: Props) {
  const { criteria, people, things } = round;
  const [order, setOrder] = useState<Order>("dispute");
  const [opened, setOpened] = useState<string | null>(null);
  const rows = useMemo(() => {
    const all = things.map((thing, at) => ({
      thing,
      at,
      dispute: dispute(thing, criteria),
      standing: standingOf(thing, criteria),
    }));
    const open = (one: (typeof all)[number]) => (one.standing === "settled" ? 0 : one.dispute);
    return all.sort(
      order === "dispute"
        ? (a, b) => open(b) - open(a) || a.at - b.at
        : order === "title"
          ? (a, b) => a.thing.resource.title.localeCompare(b.thing.resource.title)
          : (a, b) => a.at - b.at,
    );
  }, [things, criteria, order]);
  const box = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW,
    overscan: 8,
    getItemKey: (i) => rows[i]!.thing.resource.id,
  });
  // In a blind round that is being judged nobody knows what becomes of anything.
  const decides = ({ scale }: (typeof criteria)[number]) =>
    scale === "screen" && !(round.round.blind && round.round.state === "judging");
  const widths = criteria.map((one) => (decides(one) ? "minmax(10rem,20rem)" : "minmax(6rem,8rem)"));
  const columns = `minmax(min(14rem,42vw),1fr) ${widths.join(" ")} 8rem`;
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <div className="mb-3 flex flex-wrap items-end gap-x-6 gap-y-2">
        <Choice
          label="Order"
          value={order}
          options={ORDERS}
          onChange={(event) => setOrder(event.target.value as Order)}
        />
        {!criteria.every(decides) && <Legend people={people.length} />}
      </div>
      <div
        ref={box}
        className="relative min-h-0 flex-1 overflow-auto border-t border-line"
        tabIndex={0}
        role="table"
        aria-label="What everybody answered"
        aria-rowcount={rows.length + 1}
      >
        <div
          role="row"
          className="sticky top-0 z-10 grid min-w-max items-end gap-x-3 border-b border-line bg-ground py-2 text-sm font-semibold text-quiet"
          style={{ gridTemplateColumns: columns }}
        >
          <span role="columnheader" className="sticky left-0 bg-ground">
            What
          </span>
          {criteria.map(({ id, name }) => (
            <span key={id} role="columnheader" className="break-words">
              {name}
            </span>
          ))}
          <span role="columnheader">How far</span>
        </div>
        <div style={{ height: virtual.getTotalSize() }} className="relative min-w-max" role="rowgroup">
          {virtual.getVirtualItems().map(({ index, key, start }) => {
            const { thing, standing } = rows[index]!;
            const isOpen = opened === thing.resource.id;
            return (
              <div
                key={key}
                ref={virtual.measureElement}
                data-index={index}
                className="absolute inset-x-0 top-0 border-b border-line"
                style={{ transform: `translateY(${start}px)` }}
              >
                <div
                  role="row"
                  aria-rowindex={index + 2}
                  className="grid min-h-14 items-center gap-x-3 py-1.5"
                  style={{ gridTemplateColumns: columns }}
                >
                  <div role="rowheader" className="sticky left-0 z-[1] min-w-0 bg-ground">
                    <button
                      type="button"
                      aria-expanded={isOpen}
                      onClick={() => setOpened(isOpen ? null : thing.resource.id)}
                      className="flex w-full items-start gap-1 rounded-md text-left hover:underline"
                    >
                      <KindMark kind={thing.resource.kind} />
                      <span className="line-clamp-2 min-w-0 break-words">{thing.resource.title}</span>
                    </button>
                  </div>
                  {criteria.map((criterion, i) => (
                    <div key={criterion.id} role="cell">
                      {decides(criterion) ? (
                        <Decided {...{ criterion, thing, people }} at={i} />
                      ) : (
                        <Threads
                          {...{ criterion, thing, people }}
                          at={i}
                          isApart={
                            apart(
                              thing.said.map(({ steps }) => steps[i] ?? null),
                              criterion,
                            ) > 0
                          }
                        />
                      )}
                    </div>
                  ))}
                  <span role="cell" className="text-sm">
                    <StandingWord standing={standing} thing={thing} />
                  </span>
                </div>
                {isOpen && (
                  <div role="row">
                    <div role="cell">
                      <Settle
                        {...{ round, thing, onSettled }}
                        settles={brings && round.round.state === "settling"}
                        onLeave={() => setOpened(null)}
                      />
                    </div>
                  </div>
                )}
              </div>
            );
          })}
        </div>
      </div>
    </div>
  );
}

function StandingWord({ standing, thing }: { standing: Standing; thing: Round["things"][number] }) {
  const done = thing.said.filter(({ whole }) => whole).length;
  if (standing === "more to come" || standing === "nobody yet")
    return (
      <span className="text-quiet">
        {done} of {thing.judges.length} judged
      </span>
    );
  return <span className={standing === "in dispute" ? "font-semibold text-warn" : ""}>{standing}</span>;
}

const Legend = ({ people }: { people: number }) => (
  <p className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm text-quiet">
    <span className="flex items-center gap-2">
      <span aria-hidden className="inline-block h-0 w-8 border-t-[3px] border-accent" />
      {people === 1 ? "what was answered" : "one person’s answer: the longer, the better"}
    </span>
    <span className="flex items-center gap-2">
      <span aria-hidden className="inline-block h-0 w-8 border-t-[3px] border-warn" /> where you differ
    </span>
    <span className="flex items-center gap-2">
      <span aria-hidden className="inline-block h-[7px] w-8 rounded-r-sm bg-ink" /> agreed
    </span>
  </p>
);
