"use client";

import { useEffect, useState } from "react";
import { placeIn } from "@/core/read/comfort";
import { call } from "../../talk/call";
import { CopyMap } from "../marks/copy-map";
import { scrollTo } from "../scroll-to";

/** Where the first line below the bar is, from the top of the window. */
const TOP = 90;
/** After so long without scrolling it is noted where one is. */
const PAUSE = 1_500;

/**
 * Goes on where one was in a text, and notes where one is. Nothing is noted of who has only looked at its beginning.
 * @param was where one was, and in a text how long
 * @returns the place one is at, how long the text is, and whether one was brought to where one had been
 */
export function usePlace(resource: string, hasText: boolean, was: { place: number; length: number } | null) {
  const [at, setAt] = useState({ place: 0, length: 0, back: false });
  useEffect(() => {
    const main = document.querySelector<HTMLElement>("#main");
    const root = document.querySelector<HTMLElement>("#main .reading");
    if (!hasText || !main || !root) return;
    // Read when it is asked for: what has just come is drawn first.
    let read: CopyMap | undefined;
    const text = () => (read ??= new CopyMap(root));
    let noted = 0;
    let frame = 0;
    let leave: (() => void) | undefined;
    const say = () => setAt({ place: placeNow(), length: text().text.length, back: noted > 0 });
    let timer: ReturnType<typeof setTimeout> | undefined;
    const placeNow = () => {
      return root.getBoundingClientRect().bottom < TOP + 40 ? text().text.length : text().placeInSight();
    };
    const note = () => {
      clearTimeout(timer);
      const place = placeNow();
      const { length } = text().text;
      setAt((old) => ({ ...old, place, length }));
      if (place === noted) return;
      noted = place;
      void call("reading.place", { resource, place, length }).catch(() => undefined);
    };
    const { length } = was ? text().text : "";
    const begins = was ? placeIn(was.place, was.length, length) : 0;
    // At its end one was through with it, and begins anew; who comes to a mark goes there.
    if (begins > 0 && begins < length * 0.98 && !window.location.hash) {
      noted = begins;
      leave = scrollTo(main, text().range(begins, Math.min(length, begins + 1)), TOP, say);
    } else frame = requestAnimationFrame(say);
    const heard = () => {
      clearTimeout(timer);
      timer = setTimeout(note, PAUSE);
    };
    const leaves = () => timer && note();
    main.addEventListener("scroll", heard, { passive: true });
    window.addEventListener("pagehide", leaves);
    return () => {
      cancelAnimationFrame(frame);
      leave?.();
      clearTimeout(timer);
      main.removeEventListener("scroll", heard);
      window.removeEventListener("pagehide", leaves);
    };
    // Where one was counts when one comes, not what is noted afterwards.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [resource, hasText]);
  return at;
}
