"use client";

import { useEffect, useRef, useState } from "react";

const LEAST = 260;
const MOST = 720;
const FIRST = 404;
/** One press of an arrow, in pixels. */
const STEP = 24;
const KEPT = "hobbin.sources-width";

const within = (width: number) => Math.round(Math.max(LEAST, Math.min(MOST, width)));

/** The width of the left side, remembered on this device. @returns it in pixels, and how it is set */
export function useSourcesWidth(): [number, (width: number) => void] {
  const [width, setWidth] = useState(FIRST);
  useEffect(() => {
    const kept = Number(localStorage.getItem(KEPT));
    // After the page is drawn as the server drew it.
    if (kept) requestAnimationFrame(() => setWidth(within(kept)));
  }, []);
  const set = (wish: number) => {
    const next = within(wish);
    setWidth(next);
    try {
      localStorage.setItem(KEPT, String(next));
    } catch {
      // It is as wide as at first next time.
    }
  };
  return [width, set];
}

/**
 * The seam between the two sides: drawn to and fro it makes one wider and the other narrower; a double press brings it back.
 * By keyboard it is the splitter of the ARIA practices: https://www.w3.org/WAI/ARIA/apg/patterns/windowsplitter/
 */
export function Seam({ width, onWidth }: { width: number; onWidth: (width: number) => void }) {
  const from = useRef<{ x: number; width: number } | null>(null);
  return (
    <div
      role="separator"
      aria-orientation="vertical"
      aria-label="Width of the left side"
      aria-valuenow={width}
      aria-valuemin={LEAST}
      aria-valuemax={MOST}
      tabIndex={0}
      title="Draw to make this side wider"
      className="seam cursor-col-resize touch-none bg-sheet outline-offset-[-3px] max-md:hidden"
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        from.current = { x: event.clientX, width };
        event.currentTarget.setPointerCapture(event.pointerId);
        event.preventDefault();
      }}
      onPointerMove={(event) => {
        if (from.current) onWidth(from.current.width + event.clientX - from.current.x);
      }}
      onPointerUp={() => (from.current = null)}
      onPointerCancel={() => (from.current = null)}
      onDoubleClick={() => onWidth(FIRST)}
      onKeyDown={(event) => {
        if (event.key === "ArrowLeft") onWidth(width - STEP);
        else if (event.key === "ArrowRight") onWidth(width + STEP);
        else if (event.key === "Home") onWidth(LEAST);
        else if (event.key === "End") onWidth(MOST);
        else return;
        event.preventDefault();
        event.stopPropagation();
      }}
    />
  );
}
