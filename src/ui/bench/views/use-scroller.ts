import { useEffect, useMemo, useState } from "react";

/** When something around a list scrolls instead of the list, and what. */
type Around = { when: string; scrolls: string };
/** In a short window (the variant `short` of the style sheet) all of the side does, so that its head goes away too. */
export const SHORT: Around = { when: "(max-height: 500px)", scrolls: "section" };
/** On a phone the sections of the Board stand below each other, and all of it does. */
export const STACKED: Around = { when: "(max-width: 639px)", scrolls: "[data-flow=board]" };

/**
 * What scrolls a list: the list itself, or, where there is no room for that, what is around it.
 * @param list the element of the list
 * @returns what scrolls, and how far down in it the list begins, in pixels
 */
export function useScroller(list: React.RefObject<HTMLElement | null>, { when, scrolls }: Around) {
  const [above, setAbove] = useState<number | null>(null);
  const isAround = above !== null;
  useEffect(() => {
    const media = window.matchMedia(when);
    const around = list.current?.closest(scrolls);
    const look = () => setAbove(media.matches && list.current ? list.current.offsetTop : null);
    // What stands above grows and shrinks with its words.
    const watch = new ResizeObserver(look);
    if (around) for (const part of around.children) watch.observe(part);
    media.addEventListener("change", look);
    look();
    return () => {
      watch.disconnect();
      media.removeEventListener("change", look);
    };
  }, [list, when, scrolls]);
  const scroller = useMemo(
    () => ({
      get current() {
        return isAround ? (list.current?.closest<HTMLElement>(scrolls) ?? null) : list.current;
      },
    }),
    [list, isAround, scrolls],
  );
  return { scroller, above: above ?? 0 };
}
