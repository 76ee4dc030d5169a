import type { Page } from "@playwright/test";
import {
  branch,
  drawn,
  expect,
  items,
  makeBranches,
  openCopy,
  openOwnTree,
  signIn,
  test,
  words,
} from "./hands";

/** A phone: narrow, with a finger in place of a pointer. */
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };

type Point = { x: number; y: number };

/** One finger on the glass, as the browser itself gets it; what it means is up to the browser and the page. */
async function finger(page: Page) {
  const glass = await page.context().newCDPSession(page);
  const send = (type: "touchStart" | "touchMove" | "touchEnd", touchPoints: Point[]) =>
    glass.send("Input.dispatchTouchEvent", { type, touchPoints });
  let at: Point = { x: 0, y: 0 };
  return {
    down: (point: Point) => send("touchStart", [(at = point)]),
    up: () => send("touchEnd", []),
    /** In steps as a hand makes them. */
    async to(point: Point, steps = 12) {
      const from = at;
      for (let i = 1; i <= steps; i++) {
        const share = i / steps;
        at = { x: from.x + (point.x - from.x) * share, y: from.y + (point.y - from.y) * share };
        await send("touchMove", [at]);
        await drawn(page);
      }
    },
  };
}

/** What a finger has picked up by resting on it. */
const held = (page: Page) => page.locator("[data-dragging]");

const inside = async (page: Page, n: number, share: number): Promise<Point> => {
  const box = (await items(page).nth(n).boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height * share };
};

test("by a finger: what is held and drawn moves, a swipe scrolls, holding alone does nothing", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama", PHONE);
  await openCopy(page, "Week 1: what a bog is");
  await expect(items(page)).toHaveCount(6);
  const before = await words(page);
  const hand = await finger(page);

  // Held for a moment, then drawn behind the third.
  await hand.down(await inside(page, 0, 0.5));
  await expect(held(page)).toHaveCount(1);
  await hand.to(await inside(page, 2, 0.9));
  await expect(page.getByText("lands here")).toBeVisible();
  await hand.up();
  const moved = [before[1], before[2], before[0], ...before.slice(3)];
  await expect.poll(() => words(page)).toEqual(moved);
  await page.reload();
  await expect.poll(() => words(page)).toEqual(moved);
  // Nothing makes the page wider than the phone: what is fixed to its edges would be fixed out of sight.
  expect(await page.evaluate(() => [innerWidth, document.documentElement.scrollWidth])).toEqual([390, 390]);

  // How high its rows are, a page knows once it is alive.
  await page.waitForFunction(() => (window as Window & { hobbinHears?: boolean }).hobbinHears);
  await drawn(page);
  // Swiped at once, the list goes along with the finger and everything stays in its place.
  const height = async () => (await inside(page, 2, 0.5)).y;
  const start = await inside(page, 2, 0.5);
  await hand.down(start);
  await hand.to({ x: start.x, y: start.y - 150 }, 6);
  await hand.up();
  await expect.poll(height).toBeLessThan(start.y - 20);
  expect(await words(page)).toEqual(moved);
  await expect(page.getByText("lands here")).toHaveCount(0);

  // Held and let go again without being drawn, nothing has moved.
  await hand.down(await inside(page, 3, 0.5));
  await expect(held(page)).toHaveCount(1);
  await hand.up();
  await expect(held(page)).toHaveCount(0);
  expect(await words(page)).toEqual(moved);
});

test("by a finger: before a page is alive its items are on the screen, and what is swiped then stays so", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama", PHONE);
  await openCopy(page, "Week 1: what a bog is");
  await expect(items(page)).toHaveCount(6);
  // By a browser that has nothing of it yet.
  const { baseURL } = test.info().project.use;
  const storageState = await page.context().storageState();
  const early = await (await browser.newContext({ ...PHONE, storageState, baseURL })).newPage();
  let go = () => {};
  const until = new Promise<void>((resolve) => (go = resolve));
  await early.route(/\/_next\/static\/.*\.js/, (route) => until.then(() => route.continue()));
  await early.goto(page.url(), { waitUntil: "commit" });
  await expect(items(early).nth(2)).toBeInViewport();
  const scrolled = () => early.locator("[data-making]").evaluate((list) => list.scrollTop);
  const hand = await finger(early);
  const start = await inside(early, 2, 0.5);
  await hand.down(start);
  await hand.to({ x: start.x, y: start.y - 150 }, 6);
  await hand.up();
  await expect.poll(scrolled).toBeGreaterThan(50);
  go();
  await early.waitForFunction(() => (window as Window & { hobbinHears?: boolean }).hobbinHears);
  // A menu opens once all around it is alive; what comes by itself has come by then.
  await early.getByRole("button", { name: "What to do with this collection" }).click();
  await expect(early.getByRole("menuitem", { name: "Duplicate", exact: true })).toBeVisible();
  expect(await scrolled()).toBeGreaterThan(50);
});

test("by a finger: a collection is drawn into another one", async ({ browser }) => {
  const page = await signIn(browser, "jonas", PHONE);
  await openOwnTree(page);
  await makeBranches(page, "Drawn along", "Taken in");
  const middle = async (title: string): Promise<Point> => {
    const box = (await branch(page, title).boundingBox())!;
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };
  const hand = await finger(page);
  await hand.down(await middle("Drawn along"));
  await expect(held(page)).toHaveCount(1);
  await hand.to(await middle("Taken in"));
  await hand.up();
  await expect(branch(page, "Drawn along")).toHaveAttribute("aria-level", "2");
});
