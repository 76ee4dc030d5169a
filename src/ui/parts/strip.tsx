"use client";

import { useEffect, useRef, useState } from "react";
import type { Yarn } from "@/core/cover/weave";
import { shortName } from "@/core/list/course";
import { sayMinutes } from "@/core/text/minutes";
import { Cover } from "./cover";
import { Link } from "./link";
import { TwoPartName } from "./two-part-name";

export type Stretch = {
  id: string;
  title: string;
  items: number;
  minutes: number;
  threads: readonly Yarn[];
  tags: readonly string[];
};

/** As wide as it is taken to be before it is drawn. */
const FIRST = 560;
const GAP = 6;
/** Also of what is short there is something to press. */
const LEAST = 28;
const MANY = 9;
/** Under this there is room for a number, and no name. */
const NAMED = 64;

/**
 * A collection as a length of cloth: one piece, or, with others inside, a stretch for each that holds something, as long as
 * its minutes, with its name beneath. Each is the way to it.
 */
export function Strip({
  stretches,
  whole,
  at,
  over,
}: {
  stretches: readonly Stretch[];
  /** The collection it is of. */
  whole: { id: string; title: string };
  /** The one somebody is working on. */
  at?: string | null;
  /** The one something is held over. */
  over?: string | null;
}) {
  const box = useRef<HTMLUListElement>(null);
  const [width, setWidth] = useState(FIRST);
  useEffect(() => {
    const watch = new ResizeObserver(([entry]) => setWidth(Math.round(entry!.contentRect.width) || FIRST));
    watch.observe(box.current!);
    return () => watch.disconnect();
  }, []);
  const shown = stretches.length
    ? stretches
    : [{ ...whole, items: 0, minutes: 0, threads: [] as Yarn[], tags: [] as string[] }];
  const weights = shown.map((one) => Math.max(1, one.minutes));
  const all = weights.reduce((sum, one) => sum + one, 0);
  const room = width - GAP * (shown.length - 1);
  const alone = shown.length === 1 && shown[0]!.id === whole.id;
  return (
    // Of very many there is a least width of each, and one scrolls along.
    <div className="-mx-1 min-w-0 overflow-x-auto px-1 py-1">
      <ul
        ref={box}
        className="flex w-full items-start"
        style={{ gap: GAP, minWidth: shown.length > MANY ? shown.length * (LEAST + GAP) : undefined }}
      >
        {shown.map((one, i) => {
          const drawn = Math.max(LEAST, Math.round((room * weights[i]!) / all));
          const name = one.id === whole.id ? "To begin with" : one.title;
          return (
            <li key={one.id} className="relative min-w-7" style={{ flex: `${weights[i]!} 1 0` }}>
              <Link
                href={`/bench/${one.id}`}
                data-drop={one.id}
                data-drop-title={one.title}
                draggable={false}
                title={`${one.title}: ${one.items} ${one.items === 1 ? "item" : "items"}${one.minutes ? `, ${sayMinutes(one.minutes)}` : ""}`}
                aria-label={alone ? one.title : undefined}
                className={`group block rounded-md ${over === one.id ? "outline-2 outline-offset-2 outline-accent" : ""}`}
              >
                <Cover
                  threads={one.threads}
                  tags={one.tags}
                  width={drawn}
                  height={44}
                  className={`h-11 w-full ${at === one.id ? "outline-2 outline-offset-2 outline-accent" : "group-hover:brightness-95"}`}
                />
                {!alone && (
                  <span className="mt-1 block text-sm text-quiet group-hover:text-ink group-hover:underline">
                    {drawn < NAMED ? (
                      <>
                        <span aria-hidden>{shortName(name)}</span>
                        <span className="sr-only">{name}</span>
                      </>
                    ) : (
                      <TwoPartName name={name} />
                    )}
                  </span>
                )}
              </Link>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
