"use client";

import { useEffect, useRef, useState } from "react";
import { SolidText } from "@/core/marks/solid-text";
import { wordsOfHash } from "@/core/read/words-asked";
import { toast } from "../talk/toast";
import { CopyMap } from "./marks/copy-map";
import { scrollTo } from "./scroll-to";
import { useHash } from "./use-hash";

const LAYER = "hobbin-asked";

/** Where words stand in the copy on the page. */
function rangeOf(words: string): Range | null {
  const root = document.querySelector<HTMLElement>("#main .reading");
  if (!root) return null;
  const map = new CopyMap(root);
  const found = new SolidText(map.text).find({ exact: words, prefix: "", suffix: "" }, 1);
  return found && map.range(found.start, found.end);
}

/** Goes to a range; whoever reads with a keyboard or aloud goes on from there. */
function goTo(range: Range, main: HTMLElement): () => void {
  const block = range.startContainer.parentElement?.closest<HTMLElement>(
    "p,li,td,th,h2,h3,pre,blockquote,div",
  );
  if (block) {
    block.tabIndex = -1;
    block.focus({ preventScroll: true });
  }
  return scrollTo(main, range, main.clientHeight / 3);
}

/**
 * Leads to the words of a text that the address ends with (`hashOfWords`), and shows them.
 * @param hasText whether a text is to be read
 * @param whole whether all of it stands on the page
 */
export function useWordsAsked(hasText: boolean, whole: boolean): void {
  // Each time anew, also when the same words are asked for again.
  const [asked, setAsked] = useState<{ words: string } | null>(null);
  useHash((hash) => {
    const words = wordsOfHash(hash);
    setAsked(words === null ? null : { words });
  });
  /** What was gone to already: more of the text may come behind it, and whoever reads on is not thrown back. */
  const there = useRef<object | null>(null);
  useEffect(
    () => () => {
      there.current = null;
      if (typeof Highlight !== "undefined") CSS.highlights.delete(LAYER);
    },
    [asked],
  );
  useEffect(() => {
    const main = document.querySelector<HTMLElement>("#main");
    if (!asked || !hasText || !main || there.current === asked) return;
    let leave: (() => void) | undefined;
    const frame = requestAnimationFrame(() => {
      const range = rangeOf(asked.words);
      if (range) {
        there.current = asked;
        if (typeof Highlight !== "undefined") CSS.highlights.set(LAYER, new Highlight(range));
        leave = goTo(range, main);
      } else if (whole) toast("Those words do not stand in this copy any more.");
    });
    return () => {
      cancelAnimationFrame(frame);
      leave?.();
    };
  }, [asked, hasText, whole]);
}
