"use client";

import { useEffect, useState } from "react";
import { minutesLeft } from "@/core/read/comfort";
import { sayMinutes } from "@/core/text/minutes";

type Heading = { words: string; level: number; element: HTMLElement };
/** A text with fewer headings is seen at a glance. */
const LEAST = 3;

/** The headings of a text to go to, and how much is left from where one is. */
export function Contents({
  html,
  whole,
  minutes,
  at,
}: {
  html: string;
  /** Whether all of the text stands on the page. */
  whole: boolean;
  minutes: number | null;
  at: { place: number; length: number; back: boolean };
}) {
  const [headings, setHeadings] = useState<Heading[]>([]);
  useEffect(() => {
    const frame = requestAnimationFrame(() => {
      const all = document.querySelectorAll<HTMLElement>("#main .reading :is(h2, h3)");
      setHeadings(
        [...all]
          .map((element) => ({
            words: element.textContent?.trim() ?? "",
            level: Number(element.localName[1]),
            element,
          }))
          .filter((one) => one.words),
      );
    });
    return () => cancelAnimationFrame(frame);
  }, [html, whole]);
  const left = minutes && at.place > 0 ? minutesLeft(minutes, at.place, at.length) : null;
  const go = (element: HTMLElement) => {
    element.tabIndex = -1;
    element.scrollIntoView({ block: "start" });
    element.focus({ preventScroll: true });
  };
  return (
    <>
      {headings.length >= LEAST && (
        <details className="mt-3 text-[15px]">
          <summary className="w-fit text-quiet hover:text-ink">Contents</summary>
          <ol className="mt-1 flex flex-col">
            {headings.map((one, i) => (
              <li key={i} className={one.level > 2 ? "pl-4" : ""}>
                <button
                  type="button"
                  className="py-0.5 text-left text-accent hover:underline"
                  onClick={() => go(one.element)}
                >
                  {one.words}
                </button>
              </li>
            ))}
          </ol>
        </details>
      )}
      {left !== null && (
        <p
          role="status"
          className="fixed bottom-3 left-3 z-10 rounded-md border border-line bg-sheet px-2 py-1 text-sm text-quiet max-lg:bottom-1 max-lg:left-1"
        >
          {left > 0 ? `${sayMinutes(left)} from here` : "The end"}
          {at.back && left > 0 && (
            <button
              type="button"
              className="ml-2 text-accent hover:underline"
              onClick={() => document.querySelector("#main")?.scrollTo({ top: 0 })}
            >
              to the beginning
            </button>
          )}
        </p>
      )}
    </>
  );
}
