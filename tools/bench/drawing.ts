import type { Page } from "@playwright/test";
import { type Figure, median } from "./figures";

/** Screens that draw much: where each stands, and what has to be there so that it is drawn. */
export type Drawn = { what: string; address: string; parts: string; least: number; aim: number };

/**
 * How long screens take to draw themselves in a browser: from when their page has come to when the last of what they show is
 * there, scripts and waking up counted in; and from asking for the page.
 */
export async function* measureDrawing(page: Page, drawn: readonly Drawn[]): AsyncGenerator<Figure> {
  for (const { what, address, parts, least, aim } of drawn) {
    const times: { drawn: number; whole: number }[] = [];
    for (let i = 0; i < 7; i++) {
      await page.goto("about:blank");
      await page.goto(address, { waitUntil: "commit" });
      times.push(
        await page.evaluate(
          ({ parts, least }) =>
            new Promise<{ drawn: number; whole: number }>((resolve, reject) => {
              const look = () => {
                if (performance.now() > 30_000) return reject(new Error(`${parts} never came`));
                if (document.querySelectorAll(parts).length < least) return requestAnimationFrame(look);
                const [entry] = performance.getEntriesByType("navigation") as PerformanceNavigationTiming[];
                const now = performance.now();
                resolve({ drawn: now - entry!.responseEnd, whole: now - entry!.requestStart });
              };
              look();
            }),
          { parts, least },
        ),
      );
    }
    // The first has its scripts to load yet.
    const rest = times.slice(1);
    const of = (which: "drawn" | "whole") => median(rest.map((one) => one[which]));
    yield {
      what: `${what}: drawn in the browser from when its page has come, median of ${rest.length}; from asking for it`,
      measured: `${of("drawn").toFixed(0)} ms; ${of("whole").toFixed(0)} ms`,
      aim: `under ${aim} ms`,
      met: of("drawn") < aim,
    };
  }
}
