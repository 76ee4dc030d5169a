import type { Page } from "@playwright/test";
import { expect, items, openCollection, signIn, test } from "./hands";

const go = async (page: Page, place: string) => {
  await page.waitForURL(/team/);
  await page.goto(`${page.url().replace(/\/team\/([^/]+).*/, "/team/$1")}/${place}`);
};

test("the Catalogue: found by words, narrowed by chips and counts, mended in the cell, kept as a search", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  await go(page, "catalogue");
  const box = page.getByRole("searchbox", { name: "Find in the catalogue" });
  await box.fill("dipwell");
  await expect(items(page).first()).toContainText("dipwell");
  await expect(items(page).first().locator("mark").first()).toBeVisible();
  await expect(page.getByRole("button", { name: "Best first" })).toBeVisible();
  const some = await items(page).count();
  await page.getByRole("button", { name: "Tag", exact: true }).click();
  await page.getByRole("button", { name: /^field sheet \d+$/ }).click();
  await expect(box).toHaveValue('tag:"field sheet" dipwell');
  await expect.poll(() => items(page).count()).toBeLessThan(some);
  await page.getByRole("button", { name: "Leave out tag field sheet" }).click();
  await expect(items(page)).toHaveCount(some);

  await box.fill("dipwlel");
  await page.getByText("Did you mean").getByRole("button").click();
  await expect(box).toHaveValue("dipwell");
  await expect(items(page)).toHaveCount(some);

  await box.fill("kind:sound");
  await expect(items(page).filter({ hasText: "dipwell" })).toHaveCount(0);
  await expect(items(page).first()).toBeVisible();
  // Without words there is nothing to be best at.
  await expect(page.getByText("newest first")).toBeVisible();
  await expect(page.getByRole("button", { name: "Best first" })).toHaveCount(0);
  await items(page).first().focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("F2");
  const title = page.getByRole("textbox", { name: "Title" });
  const before = await title.inputValue();
  await title.fill("A sound with another name");
  await page.keyboard.press("Enter");
  await expect(items(page).filter({ hasText: "A sound with another name" })).toHaveCount(1);
  await items(page).filter({ hasText: "A sound with another name" }).locator("[data-cell=title]").dblclick();
  await title.fill(before);
  await page.keyboard.press("Enter");
  await expect(items(page).filter({ hasText: before })).toHaveCount(1);

  await page.getByRole("button", { name: /Saved searches/ }).click();
  await page.getByLabel("Keep this search as").fill("All sounds");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: /^All sounds/ })).toBeVisible();
  await page.keyboard.press("Escape");
  await box.fill("");
  await page.reload();
  await page.getByRole("button", { name: /Saved searches/ }).click();
  await page.getByRole("button", { name: /^All sounds/ }).click();
  await expect(box).toHaveValue("kind:sound");
});

test("one box everywhere: a thing, a tag and a collection by a few letters", async ({ browser }) => {
  const page = await signIn(browser, "jonas");
  await page.keyboard.press("/");
  const box = page.getByPlaceholder("Find anything, go anywhere");
  await box.fill("what a dipw");
  await page.getByRole("option", { name: /What a dipwell tells you/ }).click();
  await page.waitForURL(/\/read\//);
  await page.keyboard.press("ControlOrMeta+k");
  await box.fill("water tab");
  await page.getByRole("option", { name: /^water table/ }).click();
  await expect(page.getByRole("heading", { level: 1, name: "water table" })).toBeAttached();
  await expect(page.getByText("Used together with")).toBeVisible();
});

for (const [when, again] of [
  ["the box is there", false],
  ["the page is alive", true],
] as const)
  test(`what is typed before ${when} goes into the box, and is no key of what lies under it`, async ({
    browser,
  }) => {
    const page = await signIn(browser, "jonas");
    let late = 0;
    await page.route("**/_next/static/**/*.js", async (route) => {
      late++;
      await new Promise((resolve) => setTimeout(resolve, 1_000));
      await route.continue();
    });
    if (again) {
      await page.reload({ waitUntil: "commit" });
      await expect(page.getByRole("button", { name: "Find anything" })).toBeVisible();
      expect(
        await page.evaluate(() => (window as Window & { hobbinHears?: boolean }).hobbinHears),
      ).toBeUndefined();
    }
    await page.keyboard.press("/");
    // B would bring something in.
    await page.keyboard.type("bogg");
    await page.keyboard.press("Backspace");
    const box = page.getByPlaceholder("Find anything, go anywhere");
    await expect(box).toHaveValue("bog");
    expect(late).toBeGreaterThan(0);
    await page.keyboard.type(" is");
    await expect(box).toHaveValue("bog is");
    await expect(page.getByRole("dialog")).toHaveCount(1);
    await page.keyboard.press("Escape");
    await page.keyboard.press("/");
    await expect(box).toHaveValue("");
  });

test("tags: renamed in place, merged after a look, undone", async ({ browser }) => {
  const page = await signIn(browser, "rhea");
  await openCollection(page, "Sounds for the walk");
  await items(page).first().focus();
  await page.keyboard.press("t");
  const field = page.getByRole("combobox", { name: "Tags", exact: true });
  await field.fill("night calls");
  await page.keyboard.press("Enter");
  await field.fill("night call");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Take off night call", exact: true })).toBeVisible();
  await page.getByRole("link", { name: "Hobbin, to the Desk" }).click();
  await go(page, "tags");
  await page.getByRole("button", { name: /^Merge night calls? into night calls?$/ }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("radio", { name: /^night calls/ }).click();
  await expect(dialog.getByText(/afterwards/)).toBeVisible();
  await dialog.getByRole("button", { name: "Merge into night calls" }).click();
  const row = (name: string) =>
    page
      .getByRole("row")
      .filter({ has: page.getByRole("link", { name: `The page of ${name}`, exact: true }) });
  await expect(row("night call")).toHaveCount(0);
  await page.locator("[data-sonner-toast][data-front=true]").getByRole("button", { name: "Undo" }).click();
  await expect(row("night call")).toHaveCount(1);
  await row("night call").locator("[data-cell]").focus();
  await page.keyboard.press("Enter");
  await page.getByRole("textbox", { name: "Name of the tag" }).fill("dusk");
  await page.keyboard.press("Enter");
  await expect(row("dusk")).toHaveCount(1);
});
