import { chromium } from "@playwright/test";
import { expect, items, makeCollection, openCopy, signIn, test } from "./hands";

/* Ways that led astray once. */

test("a new collection from the path: its field has the focus each time, whatever closes behind it", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  await makeCollection(page, "Ways");
  const field = page.getByRole("dialog").getByLabel("Title");
  for (const title of ["First inside", "Second inside"]) {
    await page.locator("[aria-haspopup=dialog]").last().click();
    await page.getByRole("button", { name: "New collection in this one" }).click();
    // As people do, without looking whether the field is there.
    await page.keyboard.type(title);
    await expect(field).toHaveValue(title);
    await expect(field).toBeFocused();
    await page.keyboard.press("Enter");
    await expect(page.getByRole("heading", { level: 1, name: title })).toBeAttached();
    await page.goBack();
    await expect(page.getByRole("heading", { level: 1, name: "Ways" })).toBeAttached();
  }
});

test("a text between the items begins empty, takes every letter, and leaves nothing when nothing is written", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  await makeCollection(page, "Between");
  await page.keyboard.press("w");
  await page.keyboard.type("Then choose two of these.");
  await expect(page.getByRole("textbox", { name: "Text", exact: true })).toHaveValue(
    "Then choose two of these.",
  );
  await page.keyboard.press("Escape");
  await expect(items(page)).toHaveCount(1);
  await page.keyboard.press("w");
  await expect(page.getByRole("textbox", { name: "Text", exact: true })).toHaveValue("");
  await page.keyboard.press("Escape");
  await expect(items(page)).toHaveCount(1);
  // One is where one came from, and not nowhere.
  await expect(items(page)).toBeFocused();
  await page.reload();
  await expect(items(page)).toHaveCount(1);
  await expect(items(page)).toContainText("Then choose two of these.");
  // The same for a section: its letters are not keys of the page.
  await page.keyboard.press("n");
  await page.keyboard.type("Second half");
  await expect(page.getByLabel("Name of the section")).toHaveValue("Second half");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: /Second half/ })).toBeVisible();
});

test("what the browser holds back is said, with a way on", async () => {
  // As people have it: one page at a press.
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium",
    ignoreDefaultArgs: ["--disable-popup-blocking"],
  });
  try {
    const page = await signIn(browser, "ama", { baseURL: test.info().project.use.baseURL });
    await openCopy(page, "Week 1: what a bog is");
    const all = await items(page).count();
    await page.getByRole("button", { name: "What to do with this collection" }).click();
    await page.getByRole("menuitem", { name: "Open everything" }).click();
    await expect(page.getByRole("dialog")).toContainText(`Opened 1 of ${all}`);
    const next = page.waitForEvent("popup");
    await page.getByRole("dialog").getByRole("link").first().click();
    await next;
    await expect(page.getByRole("dialog")).toContainText(`Opened 2 of ${all}`);
  } finally {
    await browser.close();
  }
});
