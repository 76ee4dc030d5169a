// All by one person whom no other file makes act: what is undone by key is what one did last, wherever it was.
import type { Page } from "@playwright/test";
import { drawn, expect, items, makeCollection, openCollection, openCopy, signIn, test, words } from "./hands";

const chosen = (page: Page) => page.locator("[data-item][aria-selected=true]");
const view = (page: Page, name: string) => page.getByRole("radio", { name, exact: true });

test("five views of the same items, each with its keys; what one chose is there after a reload; 0 is its own order", async ({
  browser,
}) => {
  const page = await signIn(browser, "ines");
  await openCopy(page, "Week 1: what a bog is");
  await expect(items(page)).toHaveCount(6);
  const own = await words(page);
  for (const [key, name] of [
    ["2", "Cards"],
    ["3", "Board"],
    ["5", "Steps"],
    ["4", "Table"],
  ] as const) {
    await page.keyboard.press(key);
    await expect(view(page, name)).toBeChecked();
    await expect(items(page)).toHaveCount(6);
    expect((await words(page)).toSorted()).toEqual(own.toSorted());
    await items(page).first().focus();
    await page.keyboard.press("End");
    await expect(
      items(page)
        .filter({ has: page.locator(":scope:focus") })
        .or(page.locator("[data-item]:focus")),
    ).toHaveCount(1);
    await page.keyboard.press("Enter");
    await expect(page.getByLabel("Heading here")).toBeVisible();
    await page.keyboard.press("Escape");
    await expect(page.getByLabel("Heading here")).toHaveCount(0);
    await expect(page.locator("[data-item]:focus")).toHaveCount(1);
  }
  await page.reload();
  await expect(view(page, "Table")).toBeChecked();

  // A cell is edited where it stands: right into it, Enter, type, Enter.
  await items(page).first().focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Enter");
  await page.getByRole("textbox", { name: "Context" }).fill("Start with this one");
  await page.keyboard.press("Enter");
  await expect(items(page).first()).toContainText("Start with this one");
  await page.getByRole("button", { name: /^Order:/ }).click();
  await page.getByRole("menuitem", { name: "Title" }).click();
  const titles = await page.locator("[data-cell=title]").allTextContents();
  expect(titles).toEqual(
    titles.toSorted((a, b) => a.localeCompare(b, "en", { sensitivity: "base", numeric: true })),
  );
  await page.keyboard.press("Escape");
  await page.keyboard.press("0");
  await page.keyboard.press("1");
  await expect.poll(() => words(page)).toEqual(["Start with this one", ...own.slice(1)]);
});

/** Until a figure of the page is the same three times in a row, each asked for a moment later. */
async function standsStill(figure: () => Promise<number>): Promise<void> {
  let last: number[] = [];
  await expect
    .poll(async () => {
      last = [...last.slice(-2), await figure()];
      return last.length === 3 && new Set(last).size;
    })
    .toBe(1);
}

test("what a key goes to is in sight whole, in every view, also when the bar of several comes", async ({
  browser,
}) => {
  const page = await signIn(browser, "ines", { viewport: { width: 1280, height: 640 } });
  await openCollection(page, "Week 3: the water table");
  /** How many pixels of what has the focus are above or below the list's edges, when it could be in sight whole. */
  const hidden = () =>
    page.evaluate(() => {
      const item = document.activeElement!;
      const box = item.closest("[data-scroller],[data-making]")!;
      const list = box.getBoundingClientRect();
      // The head of the table lies over its first line.
      const head = box.querySelector("[role=columnheader]")?.getBoundingClientRect();
      const from = head?.bottom ?? list.top;
      const { top, bottom, height } = item.getBoundingClientRect();
      return height > list.bottom - from ? 0 : Math.max(0, from - top, bottom - list.bottom);
    });
  // The bar comes, and the list gets lower, when everything in it has long stood still: its script is slow.
  let comes = () => {};
  const script = new Promise<void>((done) => (comes = done));
  await page.route("**/*.js", (route) => script.then(() => route.continue()));
  await items(page).first().focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press("Shift+ArrowDown");
  const bar = page.getByRole("toolbar", { name: "What to do with the chosen items" });
  const at = () => page.evaluate(() => document.activeElement!.getBoundingClientRect().bottom);
  await standsStill(at);
  await expect(bar).toHaveCount(0);
  comes();
  await expect(bar).toBeVisible();
  await expect.poll(hidden, "when the bar came late").toBeLessThanOrEqual(1);
  await page.keyboard.press("Escape");
  // What is above is higher than was thought: as if it had been drawn late.
  await page.keyboard.press("5");
  await expect(view(page, "Steps")).toBeChecked();
  await items(page).first().focus();
  await page.keyboard.press("End");
  await standsStill(at);
  await page.evaluate(() => {
    const line = document.activeElement!.closest("[data-index]")!.previousElementSibling as HTMLElement;
    line.style.paddingBottom = "300px";
  });
  await expect.poll(hidden, "when something above grew late").toBeLessThanOrEqual(1);
  for (const [key, name] of [
    ["2", "Cards"],
    ["3", "Board"],
    ["5", "Steps"],
    ["4", "Table"],
    ["1", "Rows"],
  ] as const) {
    await page.keyboard.press(key);
    await expect(view(page, name)).toBeChecked();
    await items(page).first().focus();
    for (const step of ["ArrowDown", "ArrowDown", "ArrowDown", "ArrowDown", "ArrowUp", "End", "Home"]) {
      await page.keyboard.press(step);
      await expect.poll(hidden, `${name}, ${step}`).toBeLessThanOrEqual(1);
    }
    // The list is lower then.
    for (let i = 0; i < 5; i++) {
      await page.keyboard.press("Shift+ArrowDown");
      await expect.poll(hidden, `${name}, several`).toBeLessThanOrEqual(1);
    }
    await page.keyboard.press("Escape");
  }
});

test("several at once: chosen by click, Shift, Ctrl, sweep and key; tagged, moved, taken out, each undone in one step", async ({
  browser,
}) => {
  const page = await signIn(browser, "ines");
  await openCopy(page, "Moss key for beginners");
  await page.keyboard.press("1");
  const all = await items(page).count();
  await items(page).nth(1).click();
  await items(page)
    .nth(3)
    .click({ modifiers: ["Shift"] });
  await expect(chosen(page)).toHaveCount(3);
  await items(page)
    .nth(2)
    .click({ modifiers: ["ControlOrMeta"] });
  await expect(chosen(page)).toHaveCount(2);
  const bar = page.getByRole("toolbar", { name: "What to do with the chosen items" });
  await expect(bar.getByText("2 chosen")).toBeVisible();
  await page.keyboard.press("ControlOrMeta+a");
  await expect(bar.getByText(`${all} chosen`)).toBeVisible();
  await page.keyboard.press("i");
  await expect(chosen(page)).toHaveCount(0);
  const [first, third] = [
    (await items(page).first().locator("[data-number]").boundingBox())!,
    (await items(page).nth(2).locator("[data-number]").boundingBox())!,
  ];
  await page.mouse.move(first.x + 8, first.y + 8);
  await page.mouse.down();
  await page.mouse.move(third.x + 8, third.y + 8, { steps: 8 });
  await page.mouse.up();
  await expect(chosen(page)).toHaveCount(3);

  await bar.getByRole("button", { name: "Tag", exact: true }).click();
  await page.getByRole("combobox", { name: "Tags to put on" }).fill("second visit");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Enter");
  await expect(items(page).filter({ hasText: "second visit" })).toHaveCount(3);
  // The bar says itself what was done; no toast covers it.
  await expect(bar.getByText("Tagged 3 items.")).toBeVisible();
  await bar.getByRole("button", { name: "Undo" }).click();
  await expect(items(page).filter({ hasText: "second visit" })).toHaveCount(0);

  await items(page).first().focus();
  await page.keyboard.press("Delete");
  await expect(items(page)).toHaveCount(all - 3);
  // Undone by key, also after a reload.
  await expect(page.getByText("Taken out: 3 items")).toBeVisible();
  await page.reload();
  await expect(items(page)).toHaveCount(all - 3);
  await page.keyboard.press("ControlOrMeta+z");
  await expect(items(page)).toHaveCount(all);
  await page.keyboard.press("ControlOrMeta+Shift+z");
  await expect(items(page)).toHaveCount(all - 3);
  await page.keyboard.press("ControlOrMeta+z");
  await expect(items(page)).toHaveCount(all);
});

test("by keyboard: picked up, moved over a section's border, put back; sent elsewhere by a few letters; cut and pasted", async ({
  browser,
}) => {
  const page = await signIn(browser, "ines");
  await makeCollection(page, "The other place");
  const other = page.url();
  await page.goto(other.replace(/\/bench.*/, "/"));
  await page.waitForURL(/team/);
  await openCopy(page, "Week 3: the water table");
  await page.keyboard.press("1");
  const before = await words(page);
  const said = page.locator("p[aria-live=polite]").last();
  await items(page).first().focus();
  await page.keyboard.press("l");
  await expect(said).toContainText("Picked up one item");
  for (let i = 0; i < 4; i++) await page.keyboard.press("ArrowDown");
  await expect(said).toContainText("first, in At the bog");
  await expect(page.locator("[data-landing]")).toHaveCount(1);
  await page.keyboard.press("l");
  await expect.poll(() => words(page).then((list) => list.indexOf(before[0]!))).toBe(3);
  await page.keyboard.press("l");
  await page.keyboard.press("Home");
  await page.keyboard.press("Escape");
  await expect(said).toContainText("Left where it was");
  expect((await words(page)).indexOf(before[0]!)).toBe(3);

  await page.keyboard.press("m");
  await page.getByRole("combobox", { name: "Where to" }).fill("the other");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Moved 1 item in The other place.")).toBeVisible();
  await expect.poll(async () => (await words(page)).includes(before[0]!)).toBe(false);

  // Two cut here stand there, with their words; they are gone here.
  await items(page).first().click();
  await items(page)
    .nth(1)
    .click({ modifiers: ["Shift"] });
  const cut = (await words(page)).slice(0, 2);
  await page.keyboard.press("ControlOrMeta+x");
  await expect(page.locator("p[aria-live=polite]").last()).toContainText("2 cut");
  const bench = page.url();
  await page.goto(other);
  await expect(items(page)).toHaveCount(1);
  await items(page).first().focus();
  await page.keyboard.press("ControlOrMeta+v");
  await expect(items(page)).toHaveCount(3);
  expect(await words(page)).toEqual([before[0], ...cut]);
  await page.goto(bench);
  await expect(items(page).first()).toBeVisible();
  for (const gone of cut) expect(await words(page)).not.toContain(gone);
});

test("nothing moves under the hand and the focus stays while the rest of the Bench comes", async ({
  browser,
}) => {
  const page = await signIn(browser, "ines");
  await openCopy(page, "Week 3: the water table");
  const own = page.url();
  // That somebody else is here is shown later too.
  await (await signIn(browser, "rhea")).goto(own);
  await page.addInitScript(() => {
    const moved: string[] = [];
    const contains = (a: DOMRect, b: DOMRect) =>
      a.left <= b.left && a.top <= b.top && a.right >= b.right && a.bottom >= b.bottom;
    const whole = (at: number) => {
      const [sent] = performance.getEntriesByType("navigation") as PerformanceNavigationTiming[];
      return sent!.domInteractive > 0 && at > sent!.domInteractive;
    };
    // https://www.w3.org/TR/layout-instability/ (a draft): what is drawn elsewhere than in the frame before.
    new PerformanceObserver((list) => {
      for (const one of list.getEntries() as (PerformanceEntry & {
        sources: { node: Node; previousRect: DOMRect; currentRect: DOMRect }[];
      })[])
        // Of a single text the part of the page it stands in, so that one can find it. A blank draws nothing: it goes
        // from the end of a line to the next one when the letters come, and nobody sees it.
        moved.push(
          ...one.sources
            .filter(({ node }) => node instanceof Element || node.textContent?.trim())
            // A frame may fall between two parts of the page as it is sent: what was cut through grows to its whole.
            .filter(({ previousRect: from, currentRect: to }) => whole(one.startTime) || !contains(to, from))
            .map(({ node, previousRect: from, currentRect: to }) => {
              const part = (node instanceof Element ? node : node.parentElement)!;
              return `${part.outerHTML} from ${[from.x, from.y, from.width, from.height]} to ${[to.x, to.y, to.width, to.height]} in ${part.parentElement?.innerText}`;
            }),
        );
    }).observe({ type: "layout-shift", buffered: true });
    Object.assign(window, { moved });
  });
  // What is loaded after the page comes much later here than the page itself.
  const coming = new Set<string>();
  await page.route("**/_next/static/chunks/*", async (route) => {
    coming.add(route.request().url());
    await new Promise((resolve) => setTimeout(resolve, Math.random() * 1_000));
    await route.continue();
    coming.delete(route.request().url());
  });
  await page.reload({ waitUntil: "commit" });
  const stroke = page.getByRole("button", { name: "What stands beside Peatland course" });
  await stroke.focus();
  await expect(page.getByRole("list", { name: "Also here" })).toBeVisible();
  await expect(page.getByRole("button", { name: /tags$|^Tag the/ })).toBeVisible();
  await expect(page.locator("[data-supply]").first().or(page.getByText("Nothing waits"))).toBeVisible();
  await expect(page.getByText("Rhea Tammik is here")).toBeAttached();
  await expect.poll(() => coming.size).toBe(0);
  await drawn(page);
  expect(await page.evaluate(() => (window as unknown as { moved: string[] }).moved)).toEqual([]);
  await expect(stroke).toBeFocused();
  await stroke.click();
  await expect(page.getByRole("dialog", { name: "Beside Peatland course" })).toBeVisible();
  await stroke.click();
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await expect(stroke).toBeFocused();
});

test("the open collection is narrowed as one types, and whole again with Escape", async ({ browser }) => {
  const page = await signIn(browser, "ines");
  await openCollection(page, "Moss key for beginners");
  const all = await items(page).count();
  await page.keyboard.press("f");
  await page.getByLabel("Narrow this collection").fill("sundw");
  await expect(items(page)).toHaveCount(0);
  await page.getByLabel("Narrow this collection").fill("sund");
  await expect(items(page)).toHaveCount(1);
  await page.keyboard.press("Escape");
  await expect(items(page)).toHaveCount(all);
});
