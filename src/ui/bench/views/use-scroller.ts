import { useEffect, useMemo, useState } from "react";

/** The variant `short` of the style sheet. */
const SHORT = "(max-height: 500px)";

/**
 * What scrolls a list: the list itself, below a head that stays; in a short window all of its side, so that the head goes
 * away with the rest.
 * @param list the element of the list, in a `section` that can scroll
 * @returns what scrolls, and how far down in it the list begins, in pixels
 */
export function useScroller(list: React.RefObject<HTMLElement | null>) {
  const [above, setAbove] = useState<number | null>(null);
  const isShort = above !== null;
  useEffect(() => {
    const short = window.matchMedia(SHORT);
    const side = list.current?.closest("section");
    const look = () => setAbove(short.matches && list.current ? list.current.offsetTop : null);
    // The head grows and shrinks with its words.
    const watch = new ResizeObserver(look);
    if (side) for (const part of side.children) watch.observe(part);
    short.addEventListener("change", look);
    look();
    return () => {
      watch.disconnect();
      short.removeEventListener("change", look);
    };
  }, [list]);
  const scroller = useMemo(
    () => ({
      get current() {
        return isShort ? (list.current?.closest("section") ?? null) : list.current;
      },
    }),
    [list, isShort],
  );
  return { scroller, above: above ?? 0 };
}
