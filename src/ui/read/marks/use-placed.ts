"use client";

import { useEffect, useMemo } from "react";
import type { CopyMap } from "./copy-map";
import { paint } from "./paint";
import type { Mark } from "./use-marks";

/** A mark and the words on the page that are marked. */
export type Placed = {
  mark: Mark;
  range: Range;
  /** The how manieth of all it is, from 0. */
  at: number;
};

type Shown = {
  /** Null until the text is on the page. */
  map: CopyMap | null;
  /** The marks that are shown, in the order of the text. */
  shown: readonly Mark[];
  /** Whether the text is all there: of a long one the beginning comes first, and marks behind it have no place yet. */
  whole: boolean;
  chosen: string | null;
  meanings: readonly Meaning[];
};
type Meaning = NonNullable<Parameters<typeof paint>[0][number]["look"]> & { id: string };

/** Where the marks of a text stand in it, and painted there. */
export function usePlaced({ map, shown, whole, chosen, meanings }: Shown): Placed[] {
  const placed = useMemo(
    () =>
      map
        ? shown
            .flatMap((mark) => {
              const { start, end } = mark;
              const isHere = start !== null && end !== null && (whole || end <= map.text.length);
              const range = isHere ? map.range(start, end) : null;
              return range ? [{ mark, range }] : [];
            })
            .map((one, at) => ({ ...one, at }))
        : [],
    [map, shown, whole],
  );
  useEffect(
    () =>
      paint(
        placed.map(({ mark, range }) => ({
          ...{ id: mark.id, range, sure: mark.sure ?? 100 },
          look: meanings.find((one) => one.id === mark.meaning) ?? null,
        })),
        chosen,
      ),
    [placed, chosen, meanings],
  );
  return placed;
}
