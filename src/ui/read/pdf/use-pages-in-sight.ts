"use client";

import { type RefObject, useEffect, useState } from "react";

/** A page is drawn this long before it comes into sight, and thrown away as far behind it. */
const NEAR = "150%";
/** The middle of what is seen. */
const MIDDLE = "-45%";

/**
 * Which pages of a document are near what is seen, and which one is in its middle. Of a thousand pages only these are
 * anything; one pair of observers watches over all.
 * @param box in which they scroll; each page in it carries its number as `data-page`
 * @param of what they belong to; null until it is there
 */
export function usePagesInSight(box: RefObject<HTMLElement | null>, of: object | null) {
  // The first is what is seen first; whether it is, is told a moment after it stands there.
  const [near, setNear] = useState<ReadonlySet<number>>(new Set([1]));
  const [at, setAt] = useState(1);
  useEffect(() => {
    const root = box.current;
    if (!root || !of) return;
    const number = (one: IntersectionObserverEntry) => Number((one.target as HTMLElement).dataset.page);
    const nearby = new IntersectionObserver(
      (entries) =>
        setNear((old) => {
          const next = new Set(old);
          for (const one of entries)
            if (one.isIntersecting) next.add(number(one));
            else next.delete(number(one));
          return next;
        }),
      { root, rootMargin: `${NEAR} 0px` },
    );
    const seen = new IntersectionObserver(
      (entries) => entries.forEach((one) => one.isIntersecting && setAt(number(one))),
      { root, rootMargin: `${MIDDLE} 0px ${MIDDLE} 0px` },
    );
    // They stand there once their width is known.
    const watch = () => {
      for (const page of root.querySelectorAll("[data-page]")) {
        nearby.observe(page);
        seen.observe(page);
      }
    };
    watch();
    const pages = new MutationObserver(watch);
    pages.observe(root, { childList: true });
    return () => {
      nearby.disconnect();
      seen.disconnect();
      pages.disconnect();
    };
  }, [box, of]);
  return { near, at };
}
