import type { Browser } from "@playwright/test";
import { axe } from "./axe";
import { expect, openCollection, signIn, test } from "./hands";

async function linkTo(browser: Browser, title: string): Promise<string> {
  const page = await signIn(browser, "ama");
  await openCollection(page, title);
  await page.getByRole("link", { name: "Publish", exact: true }).click();
  await page.waitForURL(/publish/);
  return page.getByLabel("Address for readers").inputValue();
}

test("no account, no cookie, nothing asked of another origin before play; played in place after", async ({
  browser,
}) => {
  const link = await linkTo(browser, "Week 3: the water table");
  const context = await browser.newContext();
  const page = await context.newPage();
  const foreign: string[] = [];
  page.on("request", (request) => {
    if (new URL(request.url()).origin !== new URL(link).origin) foreign.push(request.url());
  });
  await page.goto(link);
  await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight));
  await expect
    .poll(() => page.evaluate(() => [...document.images].every((image) => image.complete)))
    .toBe(true);
  expect(foreign).toEqual([]);
  expect(await context.cookies()).toEqual([]);
  await expect(page.locator(".pic").first()).toHaveJSProperty("complete", true);
  await page
    .locator(".item")
    .filter({ hasText: "The first flood" })
    .getByRole("button", { name: "Play here" })
    .click();
  const video = page.locator("video");
  await expect
    .poll(() => video.evaluate((element: HTMLVideoElement) => element.readyState))
    .toBeGreaterThan(1);
  expect(foreign.length).toBeGreaterThan(0);
  await page.locator(".item").first().getByRole("button", { name: "Play here" }).click();
  await expect(page.frameLocator("iframe").locator("video")).toBeAttached();
  await page.reload();
  await expect(page.locator(".item").first()).toContainText("you were here");
});

test("an unchanged page is 304; page, style, script and letters stay small; sound in cards", async ({
  browser,
  request,
}) => {
  const link = await linkTo(browser, "Sounds for the walk");
  const first = await request.get(link);
  const again = await request.get(link, { headers: { "if-none-match": first.headers()["etag"]! } });
  expect([first.status(), again.status(), (await again.body()).length]).toEqual([200, 304, 0]);
  expect(first.headers()["set-cookie"]).toBeUndefined();
  const page = await (await browser.newContext()).newPage();
  await page.goto(link);
  await expect(page.locator("main")).toHaveClass("cards");
  await page.getByRole("button", { name: "Listen here" }).first().click();
  await expect
    .poll(() => page.locator("audio").evaluate((element: HTMLAudioElement) => element.readyState))
    .toBeGreaterThan(1);
});

for (const [name, options] of [
  ["360 pixels", { viewport: { width: 360, height: 700 } }],
  ["200 % zoom", { viewport: { width: 640, height: 400 }, deviceScaleFactor: 2 }],
  ["dark", { colorScheme: "dark" as const }],
] as const)
  test(`reader's page at ${name}: nothing runs over the edge, axe is clean`, async ({ browser }) => {
    const link = await linkTo(browser, "Week 3: the water table");
    const page = await (await browser.newContext(options)).newPage();
    for (const view of ["rows", "cards"]) {
      await page.goto(`${link}?view=${view}`);
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth),
      ).toBeLessThanOrEqual(0);
      expect(await axe(page)).toEqual([]);
    }
  });

test("with script off everything is readable and every link leads to its original; on paper addresses are printed", async ({
  browser,
}) => {
  const link = await linkTo(browser, "Week 3: the water table");
  const page = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await page.goto(link);
  await expect(page.getByText("Watch this first, with the sound off")).toBeVisible();
  await expect(page.getByRole("link", { name: "A year at the east dam" })).toHaveAttribute(
    "href",
    /standing-water/,
  );
  await expect(page.getByRole("button")).toHaveCount(0);
  await page.getByRole("link", { name: "Cards" }).click();
  await expect(page.locator("main")).toHaveClass("cards");
  await page.emulateMedia({ media: "print" });
  const printed = await page
    .getByRole("link", { name: "A year at the east dam" })
    .evaluate((a) => getComputedStyle(a, "::after").content);
  expect(printed).toContain("standing-water.localhost");
});

test("one at a time, what is done, some of them only, and what is comfortable: all of it in the reader's own browser", async ({
  browser,
}) => {
  const link = await linkTo(browser, "Week 3: the water table");
  const page = await (await browser.newContext()).newPage();
  await page.goto(link);
  const left = page.locator("[data-left]");
  await page.getByRole("checkbox", { name: "Done: A year at the east dam" }).check();
  await expect(left).toHaveText("58 of 70 minutes left");
  await page.reload();
  await expect(page.getByRole("checkbox", { name: "Done: A year at the east dam" })).toBeChecked();
  await expect(left).toHaveText("58 of 70 minutes left");

  await page.getByLabel("Narrow").fill("graph");
  await expect(page.locator(".narrow output")).toHaveText(/^\d of 14$/);
  await expect(page.locator(".item").filter({ hasText: "A year at the east dam" })).toBeHidden();
  await page.getByLabel("Narrow").fill("");
  await page.getByLabel("Kind").selectOption("video");
  await expect(page.locator(".item:visible")).toHaveCount(2);
  await page.getByLabel("Kind").selectOption("");

  await page.getByRole("button", { name: "One at a time" }).click();
  const bar = page.getByRole("navigation", { name: "One at a time" });
  await expect(bar).toContainText("1 of 14 · Before you go");
  await page.keyboard.press("ArrowRight");
  await expect(page.locator(".item:visible")).toHaveCount(1);
  await expect(page.locator(".item:visible")).toContainText("What a dipwell tells you");
  expect(await axe(page)).toEqual([]);
  await page.keyboard.press("Escape");
  await expect(page.locator(".item:visible")).toHaveCount(14);

  await page.getByText("Comfort", { exact: true }).click();
  await page.getByRole("group", { name: "Light" }).getByLabel("Dark").check();
  await page.getByRole("group", { name: "Space" }).getByLabel("Wide").check();
  expect(await axe(page)).toEqual([]);
  // WCAG 2.2, 1.4.12: the spacings it names, and nothing cut off by them.
  const spaced = await page.evaluate(() => {
    const style = getComputedStyle(document.querySelector(".say")!);
    const size = parseFloat(style.fontSize);
    return [parseFloat(style.letterSpacing) / parseFloat(getComputedStyle(document.body).fontSize), parseFloat(style.lineHeight) / size];
  });
  expect(spaced[0]).toBeGreaterThanOrEqual(0.12);
  expect(spaced[1]).toBeGreaterThanOrEqual(1.5);
  await page.reload();
  await expect(page.locator("html")).toHaveAttribute("data-look", "dark");
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
}); // prettier-ignore

test("a sheet has a code beside each link that leads to it; an address leads to its items on the page", async ({
  browser,
}) => {
  const link = await linkTo(browser, "Week 3: the water table");
  const page = await (await browser.newContext()).newPage();
  await page.goto(`${link}/paper`);
  await expect(page.locator("li svg")).toHaveCount(14);
  await page.getByLabel("Room to write").check();
  await expect(page.locator(".room")).toHaveCount(14);
  expect(await axe(page)).toEqual([]);
  await page.goto(link);
  const ids = await page.locator(".item").evaluateAll((all) => [all[5]!.id, all[9]!.id]);
  await page.goto("about:blank");
  await page.goto(`${link}#${ids.join("&")}`);
  await expect(page.locator(".asked")).toHaveCount(2);
  await expect(page.locator(".asked").first()).toBeInViewport();
});
