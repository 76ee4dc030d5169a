"use client";

import { useEffect, useRef, useState } from "react";
import { compareFragments, readFragment, type Region, writeFragment } from "@/core/marks/fragments";
import type { Mark } from "./use-marks";

type Props = {
  shown: readonly Mark[];
  chosen: string | null;
  onChoose: (id: string | null) => void;
  marking: boolean;
  onMade: (fragment: string) => void;
  onLeave: () => void;
  /** Whether keys go to what is drawn here; of several pages to one. */
  focuses?: boolean;
};

/** Where a part begins that nobody has drawn, and by how much a key changes it, in percent. */
const MIDDLE: Region = { x: 35, y: 35, w: 30, h: 30 };
const STEP = 2;
/** What is smaller was a press, and no part. */
const LEAST = 1;

/** The parts of a picture that are marked, over it, each with its number; and a new one while it is drawn, by pointer or by keys. */
export function PictureParts({ shown, chosen, onChoose, marking, onMade, onLeave, focuses = true }: Props) {
  const parts = shown
    .filter((mark) => mark.fragment)
    .toSorted((a, b) => compareFragments(a.fragment, b.fragment));
  return (
    <>
      {parts.map((mark, i) => {
        const region = readFragment(mark.fragment)?.region;
        if (!region) return null;
        return (
          <button
            key={mark.id}
            type="button"
            aria-label={`Part ${i + 1}`}
            aria-pressed={mark.id === chosen}
            onClick={() => onChoose(mark.id)}
            style={placeOf(region)}
            className={`absolute rounded-sm border-2 shadow-[0_0_0_1px_var(--sheet)] ${mark.id === chosen ? "border-accent bg-accent/15" : "border-note hover:bg-accent/10"}`}
          >
            <span className="absolute -top-0.5 -left-0.5 rounded-br bg-sheet px-1 text-xs font-semibold text-ink">
              {i + 1}
            </span>
          </button>
        );
      })}
      {marking && <Drawing onMade={onMade} onLeave={onLeave} focuses={focuses} />}
    </>
  );
}

const placeOf = ({ x, y, w, h }: Region) => ({
  left: `${x}%`,
  top: `${y}%`,
  width: `${w}%`,
  height: `${h}%`,
});

/** Between two corners, within the picture. */
function between(a: { x: number; y: number }, b: { x: number; y: number }): Region {
  const [x, y] = [Math.min(a.x, b.x), Math.min(a.y, b.y)];
  return { x, y, w: Math.abs(a.x - b.x), h: Math.abs(a.y - b.y) };
}

function Drawing({ onMade, onLeave, focuses }: Pick<Props, "onMade" | "onLeave" | "focuses">) {
  const box = useRef<HTMLDivElement>(null);
  const [region, setRegion] = useState(MIDDLE);
  const [from, setFrom] = useState<{ x: number; y: number } | null>(null);
  useEffect(() => {
    if (focuses) box.current?.focus({ preventScroll: true });
  }, [focuses]);
  const made = (one: Region) => onMade(writeFragment({ page: null, region: one, from: null, to: null }));
  const at = (event: React.PointerEvent) => {
    const { left, top, width, height } = box.current!.getBoundingClientRect();
    const percent = (value: number) => Math.min(100, Math.max(0, value * 100));
    return { x: percent((event.clientX - left) / width), y: percent((event.clientY - top) / height) };
  };
  const onKey = (event: React.KeyboardEvent) => {
    const [dx = 0, dy = 0] =
      { ArrowLeft: [-STEP, 0], ArrowRight: [STEP, 0], ArrowUp: [0, -STEP], ArrowDown: [0, STEP] }[
        event.key
      ] ?? [];
    if (event.key === "Enter") made(region);
    else if (event.key === "Escape") onLeave();
    else if (!dx && !dy) return;
    else
      setRegion(({ x, y, w, h }) =>
        event.shiftKey
          ? { x, y, w: clamp(w + dx, STEP, 100 - x), h: clamp(h + dy, STEP, 100 - y) }
          : { x: clamp(x + dx, 0, 100 - w), y: clamp(y + dy, 0, 100 - h), w, h },
      );
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div
      ref={box}
      role="application"
      aria-label="Mark a part: draw it; or move it by the arrow keys, with Shift change its size, and press Enter"
      tabIndex={0}
      onKeyDown={onKey}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setFrom(at(event));
      }}
      onPointerMove={(event) => from && setRegion(between(from, at(event)))}
      onPointerUp={(event) => {
        if (!from) return;
        const drawn = between(from, at(event));
        setFrom(null);
        if (drawn.w >= LEAST && drawn.h >= LEAST) made(drawn);
        else setRegion(MIDDLE);
      }}
      className="absolute inset-0 cursor-crosshair touch-none bg-ink/20 outline-offset-2"
    >
      <div
        aria-hidden
        style={placeOf(region)}
        className="absolute border-2 border-accent bg-accent/15 shadow-[0_0_0_1px_var(--sheet)]"
      />
      <p role="status" className="sr-only">
        {`From ${Math.round(region.x)} and ${Math.round(region.y)} percent, ${Math.round(region.w)} wide and ${Math.round(region.h)} high`}
      </p>
    </div>
  );
}

const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));
