import { type Browser, chromium } from "@playwright/test";
import lighthouse from "lighthouse";
import type { Actor } from "@/mechanism/actor";
import options from "../lib/chromium.json" with { type: "json" };
import { signIn } from "./bench-screen";
import { as, fillCollection } from "./fill";
import { type Figure, median } from "./figures";

const TIMES = 7;
const LOOKS = 3;
/** Chromium's own “Slow 4G”: 1.6 Mbit/s down, 750 kbit/s up and 150 ms, as its developer tools set them. */
const SLOW = { offline: false, latency: 562.5, downloadThroughput: 180_000, uploadThroughput: 84_375 };
const SLOWER = 4;

/** What a reader first sees on a phone, and how long publishing takes until the address is in the clipboard. */
export async function measureFirstSight(
  actor: Actor,
  team: string,
  resources: string[],
  base: string,
): Promise<Figure[]> {
  const collection = await fillCollection(
    actor,
    team,
    "A hundred items, on a phone",
    resources.slice(0, 100),
  );
  await as(actor, "collections.edit", { collection, description: "What to read, and why it stands here." });
  const { code } = await as(actor, "share.set", { collection, audience: "link" });
  const browser = await chromium.launch(options);
  try {
    const seen = [];
    for (let i = 0; i < TIMES; i++) seen.push(await firstSight(browser, `${base}/c/${code}`));
    const paint = median(seen.map((one) => one.paint));
    const shift = Math.max(...seen.map((one) => one.shift));
    const score = await lighthouseScore(`${base}/c/${code}`);
    const copied = await publishing(browser, actor, team, resources, base);
    return [
      {
        what: `First paint of a reader’s page of 100 items on Chromium’s “Slow 4G” with a processor four times slower, median of ${TIMES}`,
        measured: `${paint.toFixed(0)} ms`,
        aim: "under 1.5 s",
        met: paint < 1_500,
      },
      {
        what: "What moves on it while its letters come (cumulative layout shift), the most",
        measured: shift.toFixed(3),
        aim: "0.00",
        met: shift < 0.005,
      },
      {
        what: `Lighthouse’s performance of the same page, as it sets a phone, median of ${LOOKS}`,
        measured: `${score} of 100`,
        aim: "100",
        met: score === 100,
      },
      {
        what: `From pressing “Share and copy the address” to the address in the clipboard, median of ${TIMES}`,
        measured: `${copied.toFixed(0)} ms`,
        aim: "under 1 s",
        met: copied < 1_000,
      },
    ];
  } finally {
    await browser.close();
  }
}

/** What Lighthouse gives a page for how fast it is. */
async function lighthouseScore(address: string): Promise<number> {
  const port = 9_300 + (process.pid % 600);
  const browser = await chromium.launch({
    ...options,
    args: [...options.args, `--remote-debugging-port=${port}`],
  });
  try {
    const scores: number[] = [];
    for (let i = 0; i < LOOKS; i++) {
      const said = await lighthouse(address, {
        ...{ port, output: "json", logLevel: "error", onlyCategories: ["performance"] },
      });
      scores.push(Math.round(100 * (said!.lhr.categories.performance!.score ?? 0)));
    }
    return median(scores);
  } finally {
    await browser.close();
  }
}

/** When something is drawn first, and how much moves in the four seconds after, with nothing of it at hand. */
async function firstSight(browser: Browser, address: string): Promise<{ paint: number; shift: number }> {
  const context = await browser.newContext({
    viewport: { width: 412, height: 823 },
    deviceScaleFactor: 1.75,
    isMobile: true,
    hasTouch: true,
  });
  const page = await context.newPage();
  const devtools = await context.newCDPSession(page);
  await devtools.send("Network.enable");
  await devtools.send("Network.emulateNetworkConditions", SLOW);
  await devtools.send("Emulation.setCPUThrottlingRate", { rate: SLOWER });
  await page.addInitScript(`
    globalThis.seen = { paint: 0, shift: 0 };
    new PerformanceObserver((list) => {
      for (const one of list.getEntries()) if (!one.hadRecentInput) seen.shift += one.value;
    }).observe({ type: "layout-shift", buffered: true });
    new PerformanceObserver((list) => {
      for (const one of list.getEntries()) if (one.name === "first-contentful-paint") seen.paint = one.startTime;
    }).observe({ type: "paint", buffered: true });`);
  await page.goto(address);
  await page.waitForTimeout(4_000);
  const seen = await page.evaluate<{ paint: number; shift: number }>("seen");
  await context.close();
  if (!seen.paint) throw new Error("nothing was painted");
  return seen;
}

/** Publishing collections one after the other, in milliseconds, median. */
async function publishing(
  browser: Browser,
  actor: Actor,
  team: string,
  resources: string[],
  base: string,
): Promise<number> {
  const page = await signIn(browser, actor, base);
  await page.context().grantPermissions(["clipboard-read", "clipboard-write"], { origin: base });
  const times: number[] = [];
  for (let i = 0; i < TIMES; i++) {
    const collection = await fillCollection(actor, team, `To be published ${i}`, resources.slice(0, 100));
    await page.goto(`${base}/publish/${collection}`);
    await page.evaluate(() => navigator.clipboard.writeText(""));
    const button = page.getByRole("button", { name: "Share and copy the address" });
    await button.waitFor();
    await page.waitForLoadState("networkidle");
    const took = await page.evaluate(async () => {
      const pressed = [...document.querySelectorAll("button")].find((one) =>
        one.textContent.includes("Share and copy"),
      )!;
      const from = performance.now();
      pressed.click();
      while (!(await navigator.clipboard.readText()).includes("/c/"))
        await new Promise((resolve) => setTimeout(resolve, 5));
      return performance.now() - from;
    });
    times.push(took);
  }
  return median(times);
}
