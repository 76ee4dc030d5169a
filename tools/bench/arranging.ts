import { chromium, type Page } from "@playwright/test";
import type { Actor } from "@/mechanism/actor";
import options from "../lib/chromium.json" with { type: "json" };
import { open, scroll, signIn } from "./bench-screen";
import { as, fillCollection } from "./fill";
import { type Figure, median, timed } from "./figures";

const VIEWS = ["rows", "cards", "board", "table", "steps"] as const;
/** Rounds that stand for an hour of work, and how many of them stand for its first ten minutes. */
const HOUR = 180;
const TEN_MINUTES = 30;

/** What arranging 2,000 items costs, on the screen and on the server. */
export async function* measureArranging(
  actor: Actor,
  team: string,
  resources: string[],
  base: string,
): AsyncGenerator<Figure> {
  const collection = await fillCollection(actor, team, "Two thousand to arrange", resources.slice(0, 2_000));
  const { items } = await as(actor, "collections.items", { collection });
  const ids = items.map((item) => item.id);

  const moves: number[] = [];
  for (let i = 0; i < 60; i++)
    moves.push(
      await timed(() =>
        as(actor, "placements.move", {
          placement: ids[(i * 37) % ids.length]!,
          after: ids[(i * 91 + 5) % ids.length]!,
        }),
      ),
    );
  yield {
    what: "A move in a collection of 2,000 items, to the confirmation, median of 60",
    measured: `${median(moves).toFixed(0)} ms`,
    aim: "under 60 ms",
    met: median(moves) < 60,
  };
  let failed = 0;
  const crowd = await timed(() =>
    Promise.all(
      Array.from({ length: 40 }, async (_, n) => {
        for (let i = 0; i < 5; i++)
          await as(actor, "placements.move", {
            placement: ids[(n * 11 + i * 3) % ids.length]!,
            after: ids[(n * 7 + i * 29) % ids.length]!,
          }).catch(() => failed++);
      }),
    ),
  );
  yield {
    what: "40 movers at once, 5 moves each: errors, and how long a move takes one of them",
    measured: `${failed}; ${(crowd / 5).toFixed(0)} ms`,
    aim: "no error",
    met: failed === 0,
  };

  const browser = await chromium.launch(options);
  try {
    const page = await signIn(browser, actor, base);
    await open(page, `${base}/bench/${collection}`);
    await page.waitForTimeout(6_000);
    const frames: string[] = [];
    let slowest = Infinity;
    for (const view of VIEWS) {
      await page.getByRole("radio", { name: view[0]!.toUpperCase() + view.slice(1), exact: true }).click();
      await page.waitForTimeout(2_500);
      const rate = await scroll(page, view === "board" ? "[data-scroller]" : "[data-making]");
      frames.push(`${view} ${rate.toFixed(0)}`);
      slowest = Math.min(slowest, rate);
    }
    yield {
      what: "Scrolling 2,000 items in each view, frames a second",
      measured: frames.join(", "),
      aim: "at least 55",
      met: slowest >= 55,
    };
    await page.getByRole("radio", { name: "Rows", exact: true }).click();
    await page.waitForTimeout(1_000);
    await page.evaluate(() => (document.querySelector<HTMLElement>("[data-making]")!.scrollTop = 0));
    await page.waitForTimeout(500);
    const detail: number[] = [];
    for (let i = 0; i < 13; i++) detail.push(await openDetails(page, i % 5));
    yield {
      what: "Opening an item's details among 2,000, median of 12 (the first loads its script)",
      measured: `${median(detail.slice(1)).toFixed(0)} ms`,
      aim: "under 50 ms",
      met: median(detail.slice(1)) < 50,
    };
    const frame = await moveInFrame(page);
    yield {
      what: "A move by key among 2,000: the new order is on the page before the next frame",
      measured: frame ? "in the same frame" : "later",
      aim: "the same frame",
      met: frame,
    };
    const [early, late] = await memoryOfAnHour(page);
    yield {
      what: "Memory of the page after an hour's work, played fast (180 rounds: choose, open, move, tag, change the view); and after its first ten minutes",
      measured: `${late.toFixed(0)} MB; ${early.toFixed(0)} MB`,
      aim: "under 250 MB, no growth (10 %)",
      met: late < 250 && late <= early * 1.1,
    };
  } finally {
    await browser.close();
  }
}

/** From the key to the details with their fields on the page. */
function openDetails(page: Page, nth: number): Promise<number> {
  return page.evaluate(
    (nth) =>
      new Promise<number>((resolve) => {
        const rows = [...document.querySelectorAll<HTMLElement>("[data-item]")].sort(
          (a, b) => a.getBoundingClientRect().top - b.getBoundingClientRect().top,
        );
        const row = rows[nth]!;
        row.focus({ preventScroll: true });
        const from = performance.now();
        const key = () => row.dispatchEvent(new KeyboardEvent("keydown", { key: "Enter", bubbles: true }));
        key();
        const look = () => {
          if (!document.querySelector('[aria-label^="Details of"]')) return requestAnimationFrame(look);
          const took = performance.now() - from;
          key();
          return setTimeout(() => resolve(took), 300);
        };
        look();
      }),
    nth,
  );
}

/** Whether the order on the page has changed when the next frame begins. */
function moveInFrame(page: Page): Promise<boolean> {
  return page.evaluate(
    () =>
      new Promise<boolean>((resolve) => {
        const order = () =>
          [...document.querySelectorAll<HTMLElement>("[data-item]")]
            .sort((a, b) => a.getBoundingClientRect().top - b.getBoundingClientRect().top)
            .map((row) => row.dataset.item)
            .join();
        const [, row] = [...document.querySelectorAll<HTMLElement>("[data-item]")].sort(
          (a, b) => a.getBoundingClientRect().top - b.getBoundingClientRect().top,
        );
        row!.focus({ preventScroll: true });
        setTimeout(() => {
          const before = order();
          row!.dispatchEvent(
            new KeyboardEvent("keydown", { key: "ArrowDown", altKey: true, bubbles: true, cancelable: true }),
          );
          requestAnimationFrame(() => resolve(order() !== before));
        }, 300);
      }),
  );
}

/** Heap after the collector has run, in MB: after ten minutes' worth of work, and after an hour's. */
async function memoryOfAnHour(page: Page): Promise<[number, number]> {
  const devtools = await page.context().newCDPSession(page);
  const heap = async () => {
    for (let i = 0; i < 3; i++) await devtools.send("HeapProfiler.collectGarbage");
    const { usedSize } = await devtools.send("Runtime.getHeapUsage");
    return usedSize / 2 ** 20;
  };
  let early = 0;
  for (let round = 0; round < HOUR; round++) {
    await page.evaluate(async (round) => {
      const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
      const press = (key: string, more: object = {}) => {
        const target = document.activeElement?.closest<HTMLElement>("[data-item]") ?? document.body;
        target.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true, cancelable: true, ...more }));
      };
      document.querySelector<HTMLElement>("[data-item]")?.focus({ preventScroll: true });
      for (let i = 0; i < 6; i++) {
        press("ArrowDown");
        await pause(20);
      }
      press("Enter");
      await pause(120);
      press("Enter");
      press("ArrowDown", { altKey: true });
      await pause(40);
      press(" ");
      press("ArrowDown", { shiftKey: true });
      await pause(30);
      press(String((round % 5) + 1));
      await pause(150);
      press("End");
      await pause(60);
      press("Home");
      await pause(60);
    }, round);
    if (round === TEN_MINUTES - 1) early = await heap();
  }
  return [early, await heap()];
}
