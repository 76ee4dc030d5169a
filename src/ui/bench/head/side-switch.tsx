"use client";

import { type RefObject, useEffect, useState } from "react";

const SIDES = ["Sources", "Collection"] as const;

/** On a phone: which of the two sides is on the screen, and the way to the other. It begins on the making side. */
export function SideSwitch({ sides }: { sides: RefObject<HTMLElement | null> }) {
  const [at, setAt] = useState(1);
  useEffect(() => {
    const element = sides.current;
    if (!element) return;
    let now = 1;
    const show = () => element.scrollTo({ left: now * element.clientWidth, behavior: "instant" });
    show();
    const onScroll = () => {
      // Where both sides stand beside each other there is nothing to turn.
      if (element.scrollWidth <= element.clientWidth) return;
      now = Math.round(element.scrollLeft / Math.max(1, element.clientWidth));
      setAt(now);
    };
    element.addEventListener("scroll", onScroll, { passive: true });
    // A device that is turned stays on the side it says it is on.
    const turned = new ResizeObserver(show);
    turned.observe(element);
    return () => {
      element.removeEventListener("scroll", onScroll);
      turned.disconnect();
    };
  }, [sides]);
  const turn = (to: number) =>
    sides.current?.scrollTo({ left: to * sides.current.clientWidth, behavior: "smooth" });
  return (
    <nav aria-label="Sides" className="grid shrink-0 grid-cols-2 border-t border-line bg-ground md:hidden">
      {SIDES.map((side, i) => (
        <button
          key={side}
          type="button"
          aria-current={i === at || undefined}
          onClick={() => turn(i)}
          className={`h-12 border-t-[3px] ${i === at ? "border-accent font-semibold" : "border-transparent text-quiet"}`}
        >
          {side}
        </button>
      ))}
    </nav>
  );
}
